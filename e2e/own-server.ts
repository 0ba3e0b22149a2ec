import { randomBytes } from 'node:crypto';
import { ensureDatabase } from '../scripts/database.mjs';
import { startServer } from '../scripts/server-process.mjs';

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
  const server = await startServer({
    databaseUrl: admin.replace(/\/[^/]*$/, `/${name}`),
    environment: { BURL_SIGN_INS_PER_MINUTE: '1000' },
  });
  // What it has to say belongs beside the test that made it say so.
  server.process.stderr?.pipe(process.stderr);
  return server;
}
