// npm run dev: API with restart on change and the interface with hot reload.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { burlDatabase } from './database.mjs';
import { installModules } from './install.mjs';
import { ROOT } from './postgres.mjs';

installModules();
const database = await burlDatabase();
const tool = (name) => join(ROOT, 'node_modules/.bin', name);
const children = [
  spawn(tool('tsx'), ['watch', 'src/main.ts'], {
    cwd: join(ROOT, 'apps/server'),
    stdio: 'inherit',
    env: {
      ...process.env,
      ...database.environment,
      SESSION_SECRET: 'development-only-'.repeat(3),
      BURL_API_ONLY: '1',
      PORT: '4180',
    },
  }),
  spawn(tool('vite'), [], { cwd: join(ROOT, 'apps/web'), stdio: 'inherit' }),
];
const stop = () => {
  for (const child of children) child.kill('SIGTERM');
  database.stop();
  process.exit(0);
};
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
