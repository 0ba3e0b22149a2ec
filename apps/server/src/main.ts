import { join } from 'node:path';
import { buildApp } from './app.ts';
import { connect, migrateToLatest } from './store/client.ts';
import { repositoryRoot } from './repository.ts';
import { seedCrib } from './seed/crib-seed.ts';
import { seedDemo } from './seed/demo.ts';

const url = process.env['DATABASE_URL'];
if (!url)
  throw new Error(
    'DATABASE_URL is not set. npm start sets it; or point it at a PostgreSQL database of yours.',
  );
const secret = process.env['SESSION_SECRET'];
if (!secret || secret.length < 32)
  throw new Error('SESSION_SECRET has to be 32 characters or longer. npm start makes one.');

const root = repositoryRoot();
const connection = connect(url, (error) => console.warn(`database connection lost: ${error.message}`));
await migrateToLatest(connection.db);
await seedCrib(connection.db, join(root, 'packages/core/data'));
if (process.env['BURL_DEMO'] !== '0') await seedDemo(connection.db);

const app = await buildApp({
  db: connection.db,
  sessionSecret: secret,
  webFolder: process.env['BURL_API_ONLY'] ? null : join(root, 'apps/web/dist'),
  log: true,
  secureCookie: process.env['BURL_HTTPS'] === '1',
  signInsPerMinute: Number(process.env['BURL_SIGN_INS_PER_MINUTE'] ?? 10),
});
const port = Number(process.env['PORT'] ?? 4180);
await app.listen({ port, host: process.env['HOST'] ?? '127.0.0.1' });
// Port 0 takes a free one: whoever started this learns which.
process.send?.({ ready: app.addresses().find((a) => typeof a === 'object')?.port ?? port });

async function stop(): Promise<void> {
  await app.close();
  await connection.close();
  process.exit(0);
}
process.on('SIGTERM', () => void stop());
process.on('SIGINT', () => void stop());
// The launcher is gone: a server without one would hold the port for ever.
process.on('disconnect', () => void stop());
