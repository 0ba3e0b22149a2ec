import { once } from 'node:events';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { type ServerProcess, startServer } from '../../../scripts/server-process.mjs';
import type { Measured } from '../src/measure.ts';
import { repositoryRoot } from '../src/repository.ts';

/** A server in a process of its own, to be loaded, stopped and killed. */
export interface HeldServer extends ServerProcess {
  measure(): Promise<Measured>;
}

/** Starts the built server, or its source where nothing is built. Throws when it ends before it is ready. */
export async function holdServer(
  databaseUrl: string,
  environment: Readonly<Record<string, string>> = {},
): Promise<HeldServer> {
  const built = existsSync(join(repositoryRoot(), 'apps/server/dist/main.js'));
  const server = await startServer({
    databaseUrl,
    fromSource: process.env['BURL_HOLD_SOURCE'] === '1' || !built,
    environment: {
      NODE_ENV: 'production',
      BURL_API_ONLY: '1',
      BURL_SIGN_INS_PER_MINUTE: '100000',
      ...environment,
    },
  });
  return {
    ...server,
    async measure() {
      server.process.send('measure');
      for (;;) {
        const [message] = (await once(server.process, 'message')) as [{ measured?: Measured }];
        if (message.measured) return message.measured;
      }
    },
  };
}
