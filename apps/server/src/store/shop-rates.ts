import type { KeptRates, Person } from '@burl/contract';
import { requireRates, USUAL_RATES } from '@burl/core';
import { sql } from 'drizzle-orm';
import { changed, record } from './audit.ts';
import type { Database, Transaction } from './client.ts';
import { stale } from './refusal.ts';
import { jobSummaries } from './schema/jobs.ts';
import { shopRates } from './schema/shop.ts';

/** Rates as somebody stated them; the usual ones, at version 0, where nobody did. */
export async function ratesOf(db: Database | Transaction): Promise<KeptRates> {
  const [row] = await db.select().from(shopRates);
  return row
    ? { rates: { ...USUAL_RATES, ...row.rates }, version: row.version }
    : { rates: USUAL_RATES, version: 0 };
}

/** Keeps the rates; every job is worked out anew. Throws an InputError, and a refusal when somebody saved in between. */
export const keepRates = (db: Database, person: Person, { rates, version }: KeptRates): Promise<KeptRates> =>
  db.transaction(async (tx) => {
    requireRates(rates);
    const before = await ratesOf(tx);
    if (before.version !== version) throw stale(before);
    const next = { rates, version: version + 1, updatedAt: new Date(), updatedBy: person.name };
    const [kept] = await tx
      .insert(shopRates)
      .values(next)
      .onConflictDoUpdate({
        target: shopRates.only,
        set: next,
        setWhere: sql`${shopRates.version} = ${version}`,
      })
      .returning();
    if (!kept) throw stale(await ratesOf(tx));
    await record(tx, person, {
      action: 'changed rates',
      subject: rates.currency,
      detail: changed(before.rates, rates),
    });
    await tx.update(jobSummaries).set({ staleSince: sql`date_trunc('milliseconds', clock_timestamp())` });
    return { rates: kept.rates, version: kept.version };
  });
