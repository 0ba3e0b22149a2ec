import {
  firstPieceSteps,
  type Person,
  PROVE_OUT_STEPS,
  type ProveOutInput,
  type ProveOutRecord,
} from '@burl/contract';
import { asc, eq, sql } from 'drizzle-orm';
import { record } from './audit.ts';
import type { Database, Transaction } from './client.ts';
import { find } from './findings.ts';
import { keepFloorFile } from './floor-files.ts';
import { present, Refusal } from './refusal.ts';
import { proveOutSteps } from './schema/floor.ts';
import { releases } from './schema/releases.ts';

const hasPhoto = sql<boolean>`exists (select 1 from floor_files f where f.of_id = ${proveOutSteps.id})`;

const recordOf = (row: typeof proveOutSteps.$inferSelect, photo: boolean): ProveOutRecord => ({
  id: row.id,
  releaseId: row.releaseId,
  operationId: row.operationId,
  step: row.step,
  result: row.result,
  word: row.word,
  at: row.at.toISOString(),
  hasPhoto: photo,
  by: row.by,
});

/** Steps of a sheet as they were signed, in that order; the last word on a step counts. */
export async function proveOutOf(db: Database | Transaction, releaseId: string): Promise<ProveOutRecord[]> {
  const rows = await db
    .select({ row: proveOutSteps, hasPhoto })
    .from(proveOutSteps)
    .where(eq(proveOutSteps.releaseId, releaseId))
    .orderBy(asc(proveOutSteps.at), asc(proveOutSteps.receivedAt));
  return rows.map((r) => recordOf(r.row, r.hasPhoto));
}

/** Signs a step, or says what failed: that goes before an engineer. Sent twice it is kept once. */
export const signStep = (db: Database, person: Person, input: ProveOutInput): Promise<ProveOutRecord> =>
  db.transaction(async (tx) => {
    const [row] = await tx.select().from(releases).where(eq(releases.id, input.releaseId));
    const release = present(row, 'This release');
    if (release.state !== 'released' && release.state !== 'superseded')
      throw new Refusal('state', 'Only a released sheet is proved out.');
    const step = present(
      [...PROVE_OUT_STEPS, ...firstPieceSteps(release.snapshot, 'metric')].find((s) => s.id === input.step),
      'This step',
    );
    const operation = release.snapshot.operations.find((o) => o.operationId === input.operationId);
    if ((step.per === 'operation') !== (input.operationId !== null) || (input.operationId && !operation))
      throw new Refusal('not-found', 'This step does not belong to this operation of the sheet.');
    const { photo, at, ...rest } = input;
    const [made] = await tx
      .insert(proveOutSteps)
      .values({ ...rest, at: new Date(at), byId: person.id, by: person.name })
      .onConflictDoNothing()
      .returning();
    if (!made) {
      const [known] = await tx.select().from(proveOutSteps).where(eq(proveOutSteps.id, input.id));
      return recordOf(known!, photo !== null);
    }
    await keepFloorFile(tx, person, made.id, 'photo', photo);
    const subject = operation?.name ?? `rev ${release.revision}`;
    if (input.result === 'failed')
      await find(tx, {
        jobId: release.jobId,
        releaseId: release.id,
        operationId: input.operationId,
        operation: subject,
        kind: 'step',
        sourceId: made.id,
        text: `Prove-out stopped at “${step.text}” ${input.word}`,
        at: made.at,
        by: person.name,
      });
    await record(tx, person, {
      action: input.result === 'done' ? 'signed prove-out' : 'failed prove-out',
      jobId: release.jobId,
      subject,
      detail: { step: input.step, word: input.word },
    });
    return recordOf(made, photo !== null);
  });
