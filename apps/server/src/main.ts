import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { Worker } from 'node:worker_threads';
import { buildApp } from './app.ts';
import { siteSettings } from './http/settings.ts';
import { answerMeasure } from './measure.ts';
import { bringUp, connect } from './store/client.ts';
import { isAway } from './store/database-error.ts';
import { grantApplication } from './store/grants.ts';
import { purgeSessions } from './store/sessions.ts';
import { repositoryRoot } from './repository.ts';
import { seedCrib } from './seed/crib-seed.ts';
import { seedDemo } from './seed/demo.ts';
import { programHash } from './work/program.ts';
import { workPool } from './work/work.ts';

const url = process.env['DATABASE_URL'];
if (!url)
  throw new Error(
    'DATABASE_URL is not set. npm start sets it; or point it at a PostgreSQL database of yours.',
  );
const secret = process.env['SESSION_SECRET'];
if (!secret || secret.length < 32)
  throw new Error('SESSION_SECRET has to be 32 characters or longer. npm start makes one.');
const site = siteSettings(process.env);
const root = repositoryRoot();
const data = join(root, 'packages/core/data');
/** Belongs to whoever owns the tables; the same as the application's where a shop has one role only. */
const owner = process.env['BURL_OWNER_URL'] ?? url;

/** The launcher is gone and this process hangs: nobody else is left to end it. */
function watchLauncher(): void {
  if (!process.send) return;
  const watch = `const { parentPort, workerData } = require('node:worker_threads');
    let gone = 0;
    setInterval(() => {
      gone = process.ppid === workerData ? 0 : gone + 1;
      if (gone > 10) process.kill(process.pid, 'SIGKILL');
    }, 1000);`;
  new Worker(watch, { eval: true, workerData: process.ppid }).unref();
}
watchLauncher();
answerMeasure();

const START_SECONDS = 90;
/** The database may still be starting, or be back in a moment. */
async function whenThere<T>(what: () => Promise<T>): Promise<T> {
  for (let waited = 0; ; waited += 2) {
    try {
      return await what();
    } catch (error) {
      if (!isAway(error) || waited >= START_SECONDS) throw error;
      if (waited % 10 === 0) console.warn('the database does not answer yet; trying again');
      await pause(2000);
    }
  }
}

await whenThere(() =>
  bringUp(owner, async (db) => {
    await seedCrib(db, data);
    if (process.env['BURL_DEMO'] !== '0') await seedDemo(db);
    await grantApplication(db, url);
  }),
);
const connection = connect(url, (error) => console.warn(`database connection lost: ${error.name}`));
const work = workPool();
const app = await buildApp({
  connection,
  sessionSecret: secret,
  webFolder: process.env['BURL_API_ONLY'] ? null : join(root, 'apps/web/dist'),
  work,
  physics: programHash(),
  log: { write: (line) => void process.stderr.write(line) },
  site,
  refreshEveryMs: 2000,
});
const purge = setInterval(
  () => void purgeSessions(connection.db, site.session).catch(() => undefined),
  15 * 60_000,
);
purge.unref();
await purgeSessions(connection.db, site.session);
const port = Number(process.env['PORT'] ?? 4180);
await app.listen({ port, host: process.env['HOST'] ?? '127.0.0.1' });
// Port 0 takes a free one: whoever started this learns which.
process.send?.({ ready: app.addresses().find((a) => typeof a === 'object')?.port ?? port });

const STOP_MS = 6000;
async function stop(): Promise<void> {
  // A request that never ends must not keep the port.
  setTimeout(() => process.exit(1), STOP_MS).unref();
  app.server.closeIdleConnections();
  await app.close();
  await work.close();
  await connection.close();
  process.exit(0);
}
process.on('SIGTERM', () => void stop());
process.on('SIGINT', () => void stop());
// The launcher is gone: a server without one would hold the port for ever.
process.on('disconnect', () => void stop());
