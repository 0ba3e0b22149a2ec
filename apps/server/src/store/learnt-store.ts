import type { LearntRecord } from '@burl/contract';
import type { Accepted, LearntConstant } from '@burl/core';
import { desc, isNull } from 'drizzle-orm';
import type { Database, Transaction } from './client.ts';
import { learnt } from './schema/learnt.ts';

/** What a constant is of: the newest of a key counts. */
export function keyOf(constant: LearntConstant): string {
  if (constant.kind === 'life') return `${constant.alloyId}/${constant.edgeFamily}`;
  return constant.kind === 'force' ? constant.alloyId : constant.machineId;
}

/** Constants that count now: of each key the newest that was not reversed. */
export async function acceptedConstants(db: Database | Transaction): Promise<Accepted[]> {
  const rows = await db
    .selectDistinctOn([learnt.kind, learnt.key], {
      id: learnt.id,
      constant: learnt.constant,
      acceptedBy: learnt.acceptedBy,
      acceptedAt: learnt.acceptedAt,
    })
    .from(learnt)
    .where(isNull(learnt.reversedAt))
    .orderBy(learnt.kind, learnt.key, desc(learnt.acceptedAt));
  return rows.map(({ id, constant, acceptedBy, acceptedAt }) => ({
    ...constant,
    id,
    acceptedBy,
    acceptedAt: acceptedAt.toISOString(),
  }));
}

export const recordOf = (r: typeof learnt.$inferSelect): LearntRecord => ({
  id: r.id,
  constant: r.constant,
  question: r.question,
  numbers: r.numbers,
  trials: r.trials,
  note: r.note,
  acceptedBy: r.acceptedBy,
  acceptedAt: r.acceptedAt.toISOString(),
  reversedBy: r.reversedBy,
  reversedAt: r.reversedAt?.toISOString() ?? null,
  reverseReason: r.reverseReason,
});

const MOST_RECORDS = 500;

/** Everything that was ever accepted, newest first. */
export async function learntRecords(db: Database | Transaction): Promise<LearntRecord[]> {
  const rows = await db.select().from(learnt).orderBy(desc(learnt.acceptedAt)).limit(MOST_RECORDS);
  return rows.map(recordOf);
}
