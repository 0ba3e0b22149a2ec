import type { CombinationDetail, TestCutRecord, TipRecord } from '@burl/contract';
import { asc, desc } from 'drizzle-orm';
import type { Database, Transaction } from './client.ts';
import { combinations, testCuts, tipRecords } from './schema.ts';

/** Earlier records of a combination that are offered to be brought back. */
const MOST_EARLIER = 20;

/** All combinations with the newest record of each direction and their cuts, without recordings. */
export async function combinationsOf(db: Database | Transaction): Promise<CombinationDetail[]> {
  // One after the other: a transaction has a single connection.
  const rows = await db.select().from(combinations).orderBy(asc(combinations.madeAt));
  const tips = await db.select().from(tipRecords).orderBy(desc(tipRecords.madeAt));
  const columns = {
    id: testCuts.id,
    combinationId: testCuts.combinationId,
    alloyId: testCuts.alloyId,
    heard: testCuts.heard,
    rpm: testCuts.rpm,
    overridePercent: testCuts.overridePercent,
    axialDepthMm: testCuts.axialDepthMm,
    radialEngagementMm: testCuts.radialEngagementMm,
    feedPerToothMm: testCuts.feedPerToothMm,
    direction: testCuts.direction,
    hz: testCuts.hz,
    simulated: testCuts.simulated,
    note: testCuts.note,
    attachmentName: testCuts.attachmentName,
    attachmentType: testCuts.attachmentType,
    madeBy: testCuts.madeBy,
    madeAt: testCuts.madeAt,
  };
  const cuts = await db.select(columns).from(testCuts).orderBy(asc(testCuts.madeAt));
  return rows.map((c): CombinationDetail => {
    const mine = tips.filter((t) => t.combinationId === c.id);
    return {
      ...c,
      madeAt: c.madeAt.toISOString(),
      tips: (['x', 'y'] as const).flatMap((axis): TipRecord[] => {
        const newest = mine.find((t) => t.axis === axis);
        return newest ? [{ ...newest, madeAt: newest.madeAt.toISOString() }] : [];
      }),
      earlier: mine
        .filter((t) => mine.find((n) => n.axis === t.axis) !== t)
        .slice(0, MOST_EARLIER)
        .map(({ id, axis, source, modes, origin, madeBy, madeAt }) => ({
          id,
          axis,
          source,
          modes,
          origin,
          madeBy,
          madeAt: madeAt.toISOString(),
        })),
      cuts: cuts
        .filter((t) => t.combinationId === c.id)
        .map((t): TestCutRecord => ({ ...t, madeAt: t.madeAt.toISOString() })),
    };
  });
}
