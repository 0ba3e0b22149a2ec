// The database Burl runs on: made when it is not there, with two roles. Runs after node_modules are installed.
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, startCluster } from './postgres.mjs';

/** Runs commands over one connection. */
async function onServer(url, work) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

export const ensureDatabase = (adminUrl, name) =>
  onServer(adminUrl, async (client) => {
    const { rowCount } = await client.query('select 1 from pg_database where datname = $1', [name]);
    if (rowCount === 0) await client.query(`create database ${client.escapeIdentifier(name)}`);
  });

export const ensureRole = (adminUrl, name, password) =>
  onServer(adminUrl, async (client) => {
    const { rowCount } = await client.query('select 1 from pg_roles where rolname = $1', [name]);
    const [role, secret] = [client.escapeIdentifier(name), client.escapeLiteral(password)];
    await client.query(`${rowCount === 0 ? 'create' : 'alter'} role ${role} login password ${secret}`);
  });

/** A secret of this installation, made the first time it is asked for. */
export function secretOf(name, bytes = 32) {
  const file = join(ROOT, '.data', name);
  mkdirSync(join(ROOT, '.data'), { recursive: true });
  if (!existsSync(file)) writeFileSync(file, randomBytes(bytes).toString('hex'), { mode: 0o600 });
  return readFileSync(file, 'utf8');
}

/** Owns nothing: it may neither change a table nor take back what the trail says. */
const APPLICATION = 'burl_app';

/**
 * Burl's database, started when it is Burl's own; DATABASE_URL names another. `environment` is what a program of the server needs.
 * The owner of the tables brings the schema up to date, the application's role does all the rest.
 */
export async function burlDatabase() {
  const given = process.env.DATABASE_URL;
  if (given)
    return {
      environment: { DATABASE_URL: given, BURL_OWNER_URL: process.env.BURL_OWNER_URL ?? given },
      stop() {},
    };
  const cluster = await startCluster('pg');
  const admin = cluster.url('postgres');
  const password = secretOf('pg.application-password', 18);
  await ensureDatabase(admin, 'burl');
  await ensureRole(admin, APPLICATION, password);
  const application = new URL(cluster.url('burl'));
  application.username = APPLICATION;
  application.password = password;
  return {
    environment: { DATABASE_URL: application.href, BURL_OWNER_URL: cluster.url('burl') },
    stop: () => cluster.stop(),
  };
}
