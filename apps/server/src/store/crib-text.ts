import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { constants, gzip } from 'node:zlib';
import { sql } from 'drizzle-orm';
import type { Database } from './client.ts';
import { allEntries, besideEntries } from './crib-store.ts';

const pack = promisify<string, { level: number }, Buffer>(gzip);

/** Tells two states of the four tables apart: every change counts a version up, adds a row or takes one away. */
async function stampOf(db: Database): Promise<string> {
  const { rows } = await db.execute<{ stamp: string }>(sql`
    select string_agg(concat_ws('/', n, last, versions), ' ' order by kind) as stamp from (
      select 'a' as kind, count(*) as n, max(updated_at) as last, sum(version) as versions from alloys
      union all select 'm', count(*), max(updated_at), sum(version) from machines
      union all select 'c', count(*), max(updated_at), sum(version) from cutters
      union all select 'h', count(*), max(updated_at), sum(version) from holders) as tables`);
  return rows[0]!.stamp;
}

/** The whole crib as it goes out. */
export interface CribText {
  /** Another one when anything in it is another. */
  readonly tag: string;
  readonly text: string;
  readonly packed: Buffer;
}

/**
 * The whole crib as JSON text. Twenty thousand entries are read, written out and packed once after a change, and not for each page that
 * is opened.
 */
export function cribText(db: Database): () => Promise<CribText> {
  let kept: { readonly stamp: string; readonly text: string } | null = null;
  let out: CribText | null = null;
  return async () => {
    const stamp = await stampOf(db);
    if (kept?.stamp !== stamp) kept = { stamp, text: JSON.stringify(await allEntries(db)) };
    const { text } = kept;
    const rest = JSON.stringify(await besideEntries(db));
    const tag = `"${createHash('sha256').update(stamp).update(rest).digest('base64url')}"`;
    if (out?.tag !== tag) {
      const whole = `${text.slice(0, -1)},${rest.slice(1)}`;
      out = { tag, text: whole, packed: await pack(whole, { level: constants.Z_BEST_SPEED }) };
    }
    return out;
  };
}
