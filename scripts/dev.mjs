// npm run dev: API with restart on change and the interface with hot reload.
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { ensureDatabase } from './database.mjs';
import { installModules } from './install.mjs';
import { ROOT, startCluster } from './postgres.mjs';

mkdirSync(join(ROOT, '.data'), { recursive: true });
installModules();
const cluster = process.env.DATABASE_URL ? null : await startCluster('pg');
const url = process.env.DATABASE_URL ?? cluster.url('burl');
if (cluster) await ensureDatabase(cluster.url('postgres'), 'burl');
const tool = (name) => join(ROOT, 'node_modules/.bin', name);
const children = [
  spawn(tool('tsx'), ['watch', 'src/main.ts'], {
    cwd: join(ROOT, 'apps/server'),
    stdio: 'inherit',
    env: {
      ...process.env,
      DATABASE_URL: url,
      SESSION_SECRET: 'development-only-'.repeat(3),
      BURL_API_ONLY: '1',
      PORT: '4180',
    },
  }),
  spawn(tool('vite'), [], { cwd: join(ROOT, 'apps/web'), stdio: 'inherit' }),
];
const stop = () => {
  for (const child of children) child.kill('SIGTERM');
  cluster?.stop();
  process.exit(0);
};
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
