import type { Person, Stock, StockInput } from '@burl/contract';
import { eq } from 'drizzle-orm';
import { changed, record } from './audit.ts';
import type { Database, Transaction } from './client.ts';
import { requireEntry, stockOfRow } from './crib-store.ts';
import { stale } from './refusal.ts';
import { stock } from './schema/crib.ts';
import { markStaleNaming } from './summary-stale.ts';

const NOT_COUNTED = { edges: null, place: '', price: null };

/** Writes down what lies on a shelf; every job that names the cutter is judged anew. */
export async function putOnShelf(
  tx: Transaction,
  person: Person,
  cutterId: string,
  { edges, place, price, reason }: Omit<StockInput, 'version'>,
): Promise<Stock> {
  const [before] = await tx.select().from(stock).where(eq(stock.cutterId, cutterId)).for('update');
  const next = { edges, place, price: price ?? null };
  const [after] = await tx
    .insert(stock)
    .values({ cutterId, ...next })
    .onConflictDoUpdate({
      target: stock.cutterId,
      set: { ...next, version: (before?.version ?? 0) + 1, updatedAt: new Date() },
    })
    .returning();
  const was = before ? { edges: before.edges, place: before.place, price: before.price } : NOT_COUNTED;
  await record(tx, person, {
    action: 'counted shelf',
    subject: `cutters/${cutterId}`,
    detail: { ...(reason && { reason }), ...changed({ shelf: was }, { shelf: next }) },
  });
  await markStaleNaming(tx, 'cutters', cutterId);
  return stockOfRow(after!);
}

/** The same for one person at the shelf: refuses what somebody else was quicker to count. */
export async function countShelf(
  db: Database,
  person: Person,
  cutterId: string,
  { version, ...input }: StockInput,
): Promise<Stock> {
  await requireEntry(db, 'cutters', 'cutter', cutterId);
  return db.transaction(async (tx) => {
    const [before] = await tx.select().from(stock).where(eq(stock.cutterId, cutterId)).for('update');
    if ((before?.version ?? 0) !== version) throw stale(before ? stockOfRow(before) : null);
    return putOnShelf(tx, person, cutterId, input);
  });
}
