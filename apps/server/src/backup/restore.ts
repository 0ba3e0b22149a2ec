import { existsSync, readFileSync } from 'node:fs';
import { sql } from 'drizzle-orm';
import pg from 'pg';
import { bringUp, connect } from '../store/client.ts';
import { grantApplication } from '../store/grants.ts';
import { manifestOf } from './back-up.ts';
import { compareStock, type Manifest, PASSING, takeStock } from './manifest.ts';
import { postgresTool } from './postgres-tool.ts';

const databaseOf = (url: string): string => decodeURIComponent(new URL(url).pathname.slice(1));

function at(url: string, database: string): string {
  const there = new URL(url);
  there.pathname = `/${encodeURIComponent(database)}`;
  return there.href;
}

/** Runs commands beside the databases that are made and renamed. */
async function beside<T>(url: string, work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: at(url, 'postgres') });
  await client.connect();
  return work(client).finally(() => client.end());
}

const name = (database: string): string => pg.escapeIdentifier(database);

/** What a backup holds, by what was written beside it. Throws when one of the two files is missing. */
function manifestFor(file: string): Manifest {
  for (const f of [file, manifestOf(file)])
    if (!existsSync(f)) throw new Error(`${f} is not there; a backup is two files, FILE and FILE.json`);
  return JSON.parse(readFileSync(manifestOf(file), 'utf8')) as Manifest;
}

async function stockAt(url: string): Promise<Manifest> {
  const connection = connect(url);
  return connection.db.transaction((tx) => takeStock(tx)).finally(() => connection.close());
}

/** Nobody who was signed in when the backup was made is signed in now. */
async function forgetPassing(url: string): Promise<void> {
  const connection = connect(url);
  for (const table of PASSING) await connection.db.execute(sql`delete from ${sql.identifier(table)}`);
  await connection.close();
}

/** Puts the restored database in the place of the present one, which stays under another name. */
const swap = (url: string, restored: string, kept: string): Promise<string | null> =>
  beside(url, async (client) => {
    const present = databaseOf(url);
    const { rows } = await client.query<{ n: string }>(
      'select count(*) as n from pg_stat_activity where datname = $1',
      [present],
    );
    if (Number(rows[0]!.n) > 0)
      throw new Error(`${rows[0]!.n} connections to ${present} are open; stop Burl first`);
    const { rowCount } = await client.query('select 1 from pg_database where datname = $1', [present]);
    if (rowCount) await client.query(`alter database ${name(present)} rename to ${name(kept)}`);
    await client.query(`alter database ${name(restored)} rename to ${name(present)}`);
    return rowCount ? kept : null;
  });

export interface Restored {
  readonly manifest: Manifest;
  /** Name the database that was there before has now; null when there was none, or nothing was replaced. */
  readonly kept: string | null;
}

/**
 * Reads a backup into a database of its own, holds it against what was written beside it, and only then puts it in the place of the
 * present one. With `checkOnly` it is dropped again: a drill, which may run while Burl does.
 * Throws, with nothing changed, when the backup does not hold what it should.
 */
export async function restore(
  urls: { readonly owner: string; readonly application: string },
  file: string,
  { checkOnly = false } = {},
): Promise<Restored> {
  const manifest = manifestFor(file);
  const stamp = new Date().toISOString().replace(/\D/g, '').slice(0, 14);
  const base = databaseOf(urls.owner).slice(0, 30);
  const fresh = `${base}_restored_${stamp}`;
  const there = at(urls.owner, fresh);
  const drop = (): Promise<unknown> =>
    beside(urls.owner, (c) => c.query(`drop database if exists ${name(fresh)} with (force)`));
  await beside(urls.owner, (c) => c.query(`create database ${name(fresh)}`));
  try {
    await postgresTool('pg_restore', there, ['--exit-on-error', '--no-owner', '--no-privileges', file]);
    const wrong = compareStock(manifest, await stockAt(there));
    if (wrong.length > 0)
      throw new Error(`the backup is not what it was when it was made: ${wrong.join('; ')}`);
    if (checkOnly) {
      await drop();
      return { manifest, kept: null };
    }
    await forgetPassing(there);
    await bringUp(there, (db) => grantApplication(db, urls.application));
    return { manifest, kept: await swap(urls.owner, fresh, `${base}_before_${stamp}`) };
  } catch (error) {
    await drop();
    throw error;
  }
}
