import { type ChildProcess, fork } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { once } from 'node:events';
import { existsSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { repositoryRoot } from '../src/repository.ts';
import type { Measured } from '../src/measure.ts';

/** A server in a process of its own, to be loaded, stopped and killed. */
export interface HeldServer {
  readonly url: string;
  readonly process: ChildProcess;
  /** Everything it wrote into its log so far. */
  log(): string;
  measure(): Promise<Measured>;
  /** Asks it to stop, and waits until it has. */
  stop(): Promise<void>;
}

const SECRET = randomBytes(32).toString('hex');

export const freePort = (): Promise<number> =>
  new Promise((done, fail) => {
    const probe = createServer();
    probe.once('error', fail);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => done(port));
    });
  });

/** Starts the built server, or its source where nothing is built. Throws when it ends before it is ready. */
export async function holdServer(
  databaseUrl: string,
  environment: Readonly<Record<string, string>> = {},
): Promise<HeldServer> {
  const root = repositoryRoot();
  const built = join(root, 'apps/server/dist/main.js');
  const fromSource = process.env['BURL_HOLD_SOURCE'] === '1' || !existsSync(built);
  const child = fork(fromSource ? join(root, 'apps/server/src/main.ts') : built, {
    cwd: root,
    stdio: ['ignore', 'ignore', 'pipe', 'ipc'],
    execArgv: fromSource ? ['--import', 'tsx'] : [],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      PORT: '0',
      DATABASE_URL: databaseUrl,
      BURL_OWNER_URL: databaseUrl,
      SESSION_SECRET: SECRET,
      BURL_API_ONLY: '1',
      BURL_SIGN_INS_PER_MINUTE: '100000',
      ...environment,
    },
  });
  let log = '';
  child.stderr!.on('data', (chunk: Buffer) => (log += chunk.toString()));
  const [{ ready }] = (await Promise.race([
    once(child, 'message'),
    once(child, 'exit').then(([code]) => {
      throw new Error(`the server ended with ${code} before it was ready: ${log.slice(-600)}`);
    }),
  ])) as [{ ready: number }];
  const ended = once(child, 'exit');
  return {
    url: `http://127.0.0.1:${ready}`,
    process: child,
    log: () => log,
    async measure() {
      child.send('measure');
      for (;;) {
        const [message] = (await once(child, 'message')) as [{ measured?: Measured }];
        if (message.measured) return message.measured;
      }
    },
    async stop() {
      child.kill('SIGTERM');
      await ended;
    },
  };
}
