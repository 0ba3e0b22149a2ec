// Installs node_modules when they are missing or the lock file changed. Node built-ins only.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './postgres.mjs';

export function installModules() {
  const lock = readFileSync(join(ROOT, 'package-lock.json'));
  const wanted = createHash('sha256').update(lock).update(process.version).digest('hex');
  const stamp = join(ROOT, 'node_modules', '.burl-stamp');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  console.log('installing packages');
  const npm = process.env.npm_execpath;
  const [command, args] = npm ? [process.execPath, [npm, 'ci']] : ['npm', ['ci']];
  const done = spawnSync(command, [...args, '--no-progress', '--loglevel=error'], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  if (done.status !== 0) throw new Error('npm ci failed; is the network there?');
  writeFileSync(stamp, wanted);
}

/** Runs a program of node_modules. */
export function runTool(name, args, options = {}) {
  return spawnSync(join(ROOT, 'node_modules/.bin', name), args, { cwd: ROOT, stdio: 'inherit', ...options });
}

/** Builds interface and server. */
export function build() {
  for (const app of ['apps/server', 'apps/web']) {
    const done = runTool('vite', ['build', '--logLevel', 'warn'], { cwd: join(ROOT, app) });
    if (done.status !== 0) throw new Error(`building ${app} failed`);
  }
}
