import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import { repositoryRoot } from '../repository.ts';

export type Database = NodePgDatabase;
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

export interface Connection {
  readonly db: Database;
  readonly pool: pg.Pool;
  close(): Promise<void>;
}

/**
 * What a request may wait for. A lock that is held longer, or a question that takes longer, ends with an answer to one person
 * instead of holding a connection that everybody needs.
 */
const LIMITS = {
  connectionTimeoutMillis: 4000,
  statement_timeout: 15_000,
  lock_timeout: 1500,
  idle_in_transaction_session_timeout: 10_000,
  query_timeout: 20_000,
};

/** Opens a pool. A connection that dies (the server was restarted) is dropped and replaced, never fatal. */
export function connect(url: string, onError: (error: Error) => void = () => undefined): Connection {
  const pool = new pg.Pool({ connectionString: url, max: 10, ...LIMITS });
  pool.on('error', onError);
  // One that dies between two questions of a transaction has nobody else to tell.
  pool.on('connect', (client) => client.on('error', onError));
  return { db: drizzle(pool, { casing: 'snake_case' }), pool, close: () => pool.end() };
}

const MIGRATIONS = join(repositoryRoot(), 'apps/server/drizzle');

/** When the newest migration this code knows was written. */
function newestKnown(): number {
  const journal = join(MIGRATIONS, 'meta/_journal.json');
  if (!existsSync(journal)) throw new Error(`the list of migrations is missing: ${journal}`);
  const { entries } = JSON.parse(readFileSync(journal, 'utf8')) as { entries: { when: number }[] };
  return Math.max(...entries.map((e) => e.when));
}

/** Throws when a newer Burl brought this database further than this code knows. */
async function refuseNewer(client: pg.Client): Promise<void> {
  const { rows: there } = await client.query<{ t: string | null }>(
    `select to_regclass('drizzle.__drizzle_migrations')::text as t`,
  );
  if (!there[0]?.t) return;
  const { rows } = await client.query<{ at: string | null }>(
    'select max(created_at)::text as at from drizzle.__drizzle_migrations',
  );
  if (Number(rows[0]?.at ?? 0) > newestKnown())
    throw new Error(
      'this database belongs to a newer Burl; start that one, or restore a backup made before it',
    );
}

/** Any number nobody else locks by: one server at a time brings a database up. */
const STARTING = 7_061_517;

/**
 * Brings the schema up to date and does what else has to be done once, one server at a time: five that start together on a fresh
 * database all come up. `url` belongs to the owner of the tables.
 * Throws when the database belongs to a newer Burl.
 */
export async function bringUp(
  url: string,
  then: (db: Database) => Promise<void> = async () => undefined,
): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  // What was asked fails by itself.
  client.on('error', () => undefined);
  await client.connect();
  try {
    await client.query('select pg_advisory_lock($1)', [STARTING]);
    await refuseNewer(client);
    const db = drizzle(client, { casing: 'snake_case' }) as unknown as Database;
    await migrate(db, { migrationsFolder: MIGRATIONS });
    await then(db);
  } finally {
    // The lock goes with the connection.
    await client.end();
  }
}
