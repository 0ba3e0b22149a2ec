// Serves the built app on a fresh database of the test cluster, for the browser tests.
import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { join, resolve } from 'node:path';
import { ensureDatabase } from '../scripts/database.mjs';

const root = resolve(import.meta.dirname, '..');
const admin = process.env.BURL_TEST_DATABASE;
if (!admin) throw new Error('BURL_TEST_DATABASE is not set; run npm test, which starts a cluster');
const name = `e2e_${randomBytes(5).toString('hex')}`;
await ensureDatabase(admin, name);
const server = spawn(process.execPath, [join(root, 'apps/server/dist/main.js')], {
  stdio: 'inherit',
  env: {
    ...process.env,
    DATABASE_URL: admin.replace(/\/[^/]*$/, `/${name}`),
    SESSION_SECRET: randomBytes(32).toString('hex'),
    BURL_SIGN_INS_PER_MINUTE: '1000',
  },
});
process.on('SIGTERM', () => server.kill('SIGTERM'));
server.on('exit', (code) => process.exit(code ?? 0));
