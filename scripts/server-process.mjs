// Burl's server in a process of its own, for whoever tests it from outside. Runs after node_modules are installed.
import { fork } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { once } from 'node:events';
import { join } from 'node:path';
import { ROOT } from './postgres.mjs';

/** One for all servers of a run, as behind a proxy. */
const SECRET = randomBytes(32).toString('hex');

export async function startServer({ databaseUrl, environment = {}, fromSource = false }) {
  const program = fromSource ? 'apps/server/src/main.ts' : 'apps/server/dist/main.js';
  const child = fork(join(ROOT, program), {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'pipe', 'ipc'],
    execArgv: fromSource ? ['--import', 'tsx'] : [],
    env: {
      ...process.env,
      PORT: '0',
      DATABASE_URL: databaseUrl,
      BURL_OWNER_URL: databaseUrl,
      SESSION_SECRET: SECRET,
      ...environment,
    },
  });
  let log = '';
  child.stderr.on('data', (chunk) => (log += chunk.toString()));
  const ended = once(child, 'exit');
  const [{ ready }] = await Promise.race([
    once(child, 'message'),
    ended.then(([code]) => {
      throw new Error(`the server ended with ${code} before it was ready: ${log.slice(-600)}`);
    }),
  ]);
  return {
    url: `http://127.0.0.1:${ready}`,
    process: child,
    log: () => log,
    async stop() {
      child.kill('SIGTERM');
      await ended;
    },
  };
}
