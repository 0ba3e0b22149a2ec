import type { CombinationDetail, TestCutRecord, TipRecord } from '@burl/contract';
import { asc, desc, isNull } from 'drizzle-orm';
import type { Database, Transaction } from './client.ts';
import { combinations, testCuts, tipRecords } from './schema/chatter.ts';

/** Earlier records of a combination that are offered to be brought back. */
const MOST_EARLIER = 20;

/** Columns of a record without what it was read from, which may be twenty thousand lines. */
const RECORD = {
  id: tipRecords.id,
  combinationId: tipRecords.combinationId,
  axis: tipRecords.axis,
  source: tipRecords.source,
  modes: tipRecords.modes,
  misfit: tipRecords.misfit,
  origin: tipRecords.origin,
  madeBy: tipRecords.madeBy,
  madeAt: tipRecords.madeAt,
};

/** Responses of the newest record of each direction, by record. */
async function newestResponses(
  db: Database | Transaction,
): Promise<Map<string, Pick<TipRecord, 'receptance' | 'coherence'>>> {
  const rows = await db
    .selectDistinctOn([tipRecords.combinationId, tipRecords.axis], {
      id: tipRecords.id,
      receptance: tipRecords.receptance,
      coherence: tipRecords.coherence,
    })
    .from(tipRecords)
    .orderBy(tipRecords.combinationId, tipRecords.axis, desc(tipRecords.madeAt));
  return new Map(rows.map(({ id, ...response }) => [id, response]));
}

/** All combinations with the newest record of each direction and their cuts, without recordings. */
export async function combinationsOf(
  db: Database | Transaction,
  { responses }: { readonly responses: boolean },
): Promise<CombinationDetail[]> {
  // One after the other: a transaction has a single connection.
  const rows = await db
    .select()
    .from(combinations)
    .where(isNull(combinations.removedAt))
    .orderBy(asc(combinations.madeAt));
  const tips = await db.select(RECORD).from(tipRecords).orderBy(desc(tipRecords.madeAt));
  const measured = responses ? await newestResponses(db) : new Map<string, never>();
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
  return rows.map(({ removedAt: _, ...c }): CombinationDetail => {
    const mine = tips.filter((t) => t.combinationId === c.id);
    return {
      ...c,
      madeAt: c.madeAt.toISOString(),
      tips: (['x', 'y'] as const).flatMap((axis): TipRecord[] => {
        const newest = mine.find((t) => t.axis === axis);
        if (!newest) return [];
        const { receptance, coherence } = measured.get(newest.id) ?? { receptance: null, coherence: null };
        return [{ ...newest, receptance, coherence, madeAt: newest.madeAt.toISOString() }];
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
