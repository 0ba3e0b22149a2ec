import { join } from 'node:path';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import { repositoryRoot } from '../repository.ts';
import * as schema from './schema.ts';

export type Database = NodePgDatabase<typeof schema>;
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

export interface Connection {
  readonly db: Database;
  close(): Promise<void>;
}

/** Opens a pool. A connection that dies (the server was restarted) is dropped and replaced, never fatal. */
export function connect(url: string, onError: (error: Error) => void = () => undefined): Connection {
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis: 5000 });
  pool.on('error', onError);
  return { db: drizzle(pool, { schema, casing: 'snake_case' }), close: () => pool.end() };
}

/** Brings the schema up to date. */
export const migrateToLatest = (db: Database): Promise<void> =>
  migrate(db, { migrationsFolder: join(repositoryRoot(), 'apps/server/drizzle') });
