import type { Combination, CombinationUpdate, Person } from '@burl/contract';
import { InputError } from '@burl/core';
import { eq, sql } from 'drizzle-orm';
import { changed, record } from './audit.ts';
import type { Database, Transaction } from './client.ts';
import { databaseCode } from './database-error.ts';
import { named, requireNamed } from './combination-changes.ts';
import { present, Refusal, stale } from './refusal.ts';
import { combinations, testCuts, tipRecords } from './schema/chatter.ts';
import { markStaleUsing } from './summary-stale.ts';

type Row = typeof combinations.$inferSelect;

const combinationOf = ({ removedAt: _, madeAt, ...rest }: Row): Combination => ({
  ...rest,
  madeAt: madeAt.toISOString(),
});

async function locked(tx: Transaction, id: string): Promise<Row> {
  const [found] = await tx.select().from(combinations).where(eq(combinations.id, id)).for('update');
  return present(found, 'This combination');
}

/** How much was measured and tried in it. */
async function contents(tx: Transaction, id: string): Promise<{ tips: number; cuts: number }> {
  const n = sql<number>`count(*)::int`;
  const [tips] = await tx.select({ n }).from(tipRecords).where(eq(tipRecords.combinationId, id));
  const [cuts] = await tx.select({ n }).from(testCuts).where(eq(testCuts.combinationId, id));
  return { tips: tips!.n, cuts: cuts!.n };
}

/** What cannot become another once something was measured: it was measured of this. */
const MEASURED_OF = ['machineId', 'holderId', 'cutterId', 'stickOutMm'] as const;

/** A combination that is remembered twice is refused with what is wrong about it. */
async function once<T>(work: () => Promise<T>, stickOutMm: number): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (databaseCode(error) !== '23505') throw error;
    throw new InputError([
      { field: 'stickOutMm', value: stickOutMm, allowed: 'a combination that is not remembered yet' },
    ]);
  }
}

/** Corrects serial and note at any time, all else while nothing was measured or tried in it. */
export const changeCombination = (
  db: Database,
  person: Person,
  id: string,
  { version, ...input }: CombinationUpdate,
): Promise<Combination> =>
  once(
    () =>
      db.transaction(async (tx) => {
        const before = await locked(tx, id);
        if (before.removedAt) throw new Refusal('not-found', 'This combination was removed.');
        if (before.version !== version) throw stale(combinationOf(before));
        const other = MEASURED_OF.filter((key) => before[key] !== input[key]);
        const { tips, cuts } = await contents(tx, id);
        if (other.length > 0 && tips + cuts > 0)
          throw new InputError(
            other.map((field) => ({
              field,
              value: input[field],
              allowed: `${before[field]}: ${tips} tap tests and ${cuts} cuts are of that; make another combination`,
            })),
          );
        await requireNamed(tx, input);
        const [after] = await tx
          .update(combinations)
          .set({ ...input, version: version + 1 })
          .where(eq(combinations.id, id))
          .returning();
        await record(tx, person, {
          action: 'changed combination',
          subject: named(after!),
          detail: changed(combinationOf(before), combinationOf(after!)),
        });
        await markStaleUsing(tx, before);
        await markStaleUsing(tx, after!);
        return combinationOf(after!);
      }),
    input.stickOutMm,
  );

/** Takes a combination out of use, or brings it back: what was measured in it counts, or no longer does. */
const setRemoved = (db: Database, person: Person, id: string, removed: boolean): Promise<Combination> =>
  db.transaction(async (tx) => {
    const before = await locked(tx, id);
    if (removed && before.removedAt) throw new Refusal('not-found', 'This combination was removed already.');
    if (!removed && !before.removedAt) throw new Refusal('state', 'This combination is there.');
    const [after] = await tx
      .update(combinations)
      .set({ removedAt: removed ? sql`now()` : null, version: before.version + 1 })
      .where(eq(combinations.id, id))
      .returning();
    await record(tx, person, {
      action: removed ? 'removed combination' : 'brought combination back',
      subject: named(before),
      detail: await contents(tx, id),
    });
    await markStaleUsing(tx, before);
    return combinationOf(after!);
  });

export const removeCombination = (db: Database, person: Person, id: string): Promise<Combination> =>
  setRemoved(db, person, id, true);

/** Refuses when another one is remembered under the same by now. */
export async function bringBackCombination(db: Database, person: Person, id: string): Promise<Combination> {
  const [row] = await db.select().from(combinations).where(eq(combinations.id, id));
  return once(() => setRemoved(db, person, id, false), row?.stickOutMm ?? 0);
}
