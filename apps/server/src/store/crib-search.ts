import { type CribEntry, type CribKind, findable, MOST_FOUND } from '@burl/contract';
import { found, tokensOf } from '@burl/core';
import { and, isNull, sql, type SQL } from 'drizzle-orm';
import type { Database } from './client.ts';
import { tableOf, entryOf } from './crib-store.ts';
import type { alloys } from './schema/crib.ts';

/** From so many letters a piece inside a word counts. */
const LEAST_INSIDE = 3;
/** Rows the database hands over to be put in order. */
const MOST_RANKED = 200;
const MOST_TOKENS = 8;

/** A word that begins with the token; one that ends in a figure is the beginning of no longer number. */
function having(column: typeof alloys.foundBy, token: string): SQL {
  const literal = token.replace(/[^\p{L}\p{N}]/gu, '\\$&');
  const inside = token.length >= LEAST_INSIDE ? '' : ' ';
  return /\d$/.test(token)
    ? sql`${column} ~ ${`${' '}${literal}([^0-9.]|$)`}`
    : sql`${column} ~ ${`${inside}${literal}`}`;
}

/** Entries in which everything typed is found, best first; those that are retired are left out. */
export async function searchCrib<K extends CribKind>(
  db: Database,
  kind: K,
  typed: string,
  most: number,
): Promise<CribEntry<K>[]> {
  const table = tableOf(kind);
  const tokens = tokensOf(typed).slice(0, MOST_TOKENS);
  const rows = await db
    .select()
    .from(table)
    .where(and(isNull(table.retiredAt), ...tokens.map((t) => having(table.foundBy, t.slice(0, 60)))))
    .limit(MOST_RANKED);
  const entries = rows
    .map((r) => entryOf<K>(r))
    .sort((a, b) => a.document.name.localeCompare(b.document.name, 'en'))
    .map((entry) => ({ ...findable(kind, entry.document), entry }));
  return found(tokens.join(' '), entries)
    .slice(0, Math.min(most, MOST_FOUND))
    .map((e) => e.entry);
}
