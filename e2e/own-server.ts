import { fork } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { once } from 'node:events';
import { resolve } from 'node:path';
import { ensureDatabase } from '../scripts/database.mjs';

const ROOT = resolve(import.meta.dirname, '..');

export interface OwnServer {
  readonly url: string;
  stop(): Promise<void>;
}

/**
 * Serves the built app on a fresh database of the test cluster, at a free port of loopback. Each worker of the browser
 * tests has one of its own, so that tests running side by side never find each other's changes.
 * Throws when BURL_TEST_DATABASE is not set, or when the server ends before it is ready.
 */
export async function ownServer(): Promise<OwnServer> {
  const admin = process.env['BURL_TEST_DATABASE'];
  if (!admin) throw new Error('BURL_TEST_DATABASE is not set; run npm test, which starts a cluster');
  const name = `e2e_${randomBytes(5).toString('hex')}`;
  await ensureDatabase(admin, name);
  const server = fork(resolve(ROOT, 'apps/server/dist/main.js'), {
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: {
      ...process.env,
      PORT: '0',
      DATABASE_URL: admin.replace(/\/[^/]*$/, `/${name}`),
      SESSION_SECRET: randomBytes(32).toString('hex'),
      BURL_SIGN_INS_PER_MINUTE: '1000',
    },
  });
  const [ready] = (await Promise.race([
    once(server, 'message'),
    once(server, 'exit').then(([code]) => {
      throw new Error(`the server ended with code ${code} before it was ready`);
    }),
  ])) as [{ readonly ready: number }];
  return {
    url: `http://127.0.0.1:${ready.ready}`,
    stop: async () => {
      const ended = once(server, 'exit');
      server.kill('SIGTERM');
      await ended;
    },
  };
}
