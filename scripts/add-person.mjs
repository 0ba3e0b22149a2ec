// npm run add-person -- "Name" address role: lets a person sign in. The password is asked for on standard input.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { ensureDatabase } from './database.mjs';
import { build, installModules } from './install.mjs';
import { ROOT, startCluster } from './postgres.mjs';

mkdirSync(join(ROOT, '.data'), { recursive: true });
installModules();
const program = join(ROOT, 'apps/server/dist/add-person.js');
if (!existsSync(program)) build();
const cluster = process.env.DATABASE_URL ? null : await startCluster('pg');
if (cluster) await ensureDatabase(cluster.url('postgres'), 'burl');
if (process.stdin.isTTY) console.log('Password, 10 characters or more:');
const { status } = spawnSync(process.execPath, [program, ...process.argv.slice(2)], {
  stdio: 'inherit',
  env: { ...process.env, DATABASE_URL: process.env.DATABASE_URL ?? cluster.url('burl') },
});
cluster?.stop();
process.exitCode = status ?? 1;
