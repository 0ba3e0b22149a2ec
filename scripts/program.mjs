// npm run add-person, audit, backup, restore, remove-demo: a program of the server, on Burl's database.
import { spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { burlDatabase } from './database.mjs';
import { build, installModules } from './install.mjs';
import { requirePostgres, ROOT } from './postgres.mjs';

const [name, ...args] = process.argv.slice(2);
installModules();
const program = join(ROOT, 'apps/server/dist', `${name}.js`);
if (!existsSync(program)) build();
const database = await burlDatabase();
if (name === 'add-person' && process.stdin.isTTY) console.log('Password, 12 characters or more:');
const child = spawn(process.execPath, ['--enable-source-maps', program, ...args], {
  stdio: 'inherit',
  env: { ...process.env, ...database.environment, BURL_POSTGRES_TOOLS: requirePostgres() },
});
child.once('exit', (code) => {
  database.stop();
  process.exitCode = code ?? 1;
});
// The terminal tells both: the program ends first, then what it stood on.
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => child.kill(signal));
