// npm start: installs what is missing, starts PostgreSQL, migrates, seeds, builds, serves, prints the address.
import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { build, installModules } from './install.mjs';
import { ROOT, startCluster } from './postgres.mjs';
import { ensureDatabase } from './database.mjs';

const free = (port, host) =>
  new Promise((done) => {
    const probe = createServer();
    probe.once('error', () => done(false));
    probe.listen(port, host, () => probe.close(() => done(true)));
  });

async function main() {
  mkdirSync(join(ROOT, '.data'), { recursive: true });
  installModules();
  let cluster = null;
  let url = process.env.DATABASE_URL;
  if (!url) {
    cluster = await startCluster('pg');
    url = cluster.url('burl');
    await ensureDatabase(cluster.url('postgres'), 'burl');
  }
  build();

  const secretFile = join(ROOT, '.data', 'session-secret');
  if (!existsSync(secretFile)) writeFileSync(secretFile, randomBytes(32).toString('hex'), { mode: 0o600 });
  const host = process.env.HOST ?? '127.0.0.1';
  const wanted = Number(process.env.PORT ?? 4180);
  let port = wanted;
  while (!(await free(port, host))) port++;
  if (port !== wanted) console.log(`port ${wanted} is taken; using ${port}`);

  const server = spawn(process.execPath, ['--enable-source-maps', join(ROOT, 'apps/server/dist/main.js')], {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    env: {
      NODE_ENV: 'production',
      ...process.env,
      DATABASE_URL: url,
      SESSION_SECRET: process.env.SESSION_SECRET ?? readFileSync(secretFile, 'utf8'),
      PORT: String(port),
      HOST: host,
    },
  });
  server.on('message', () =>
    console.log(`Burl is at http://${host === '0.0.0.0' ? 'localhost' : host}:${port}`),
  );

  let stopping = false;
  const stop = (code) => {
    if (stopping) return;
    stopping = true;
    server.kill('SIGTERM');
    const end = () => {
      cluster?.stop();
      process.exit(code);
    };
    if (server.exitCode !== null) end();
    else server.once('exit', end);
    setTimeout(end, 8000).unref();
  };
  server.once('exit', (code) => {
    if (!stopping) console.error(`the server ended with ${code}`);
    stop(code ?? 1);
  });
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => stop(0));
  // npm passes SIGTERM only to its shell; when that is gone, so are we.
  const parent = process.ppid;
  setInterval(() => process.ppid !== parent && stop(0), 1000).unref();
}

main().catch((error) => {
  console.error(`Burl cannot start: ${error.message}`);
  process.exit(1);
});
