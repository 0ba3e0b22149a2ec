import type { Person, Trial, TrialInput } from '@burl/contract';
import {
  asRun,
  formatMeasure,
  type Operation,
  type OperationContext,
  seenOf,
  type TrialBasis,
} from '@burl/core';
import { and, eq, isNull } from 'drizzle-orm';
import { record } from './audit.ts';
import type { Database, Transaction } from './client.ts';
import { find, settleFindings } from './findings.ts';
import { keepFloorFile, takeOverFloorFiles } from './floor-files.ts';
import { Refusal } from './refusal.ts';
import { trials } from './schema/floor.ts';
import { sheetOperation } from './sheet-operation.ts';
import { trialById, trialOf } from './trial-store.ts';

/** Works out what a cut as run is held against, away from the requests. */
export type BasisOf = (op: Operation, context: OperationContext) => Promise<TrialBasis>;

/** What of a basis stands in columns of a trial. */
export const basisColumns = (basis: TrialBasis) => ({
  edgeFamily: basis.edgeFamily,
  speedRpm: basis.speedRpm,
  cuttingSpeedMMin: basis.cuttingSpeedMMin,
  feedPerEdgeMm: basis.feedPerEdgeMm,
  depthMm: basis.depthMm,
  widthMm: basis.widthMm,
  speedRatio: basis.speedRatio,
  taylorN: basis.taylorN,
  speedSd: basis.speedSd,
  expectedLife: basis.expectedLife?.value ?? null,
  expectedLifeLow: basis.expectedLife?.low ?? null,
  expectedLifeHigh: basis.expectedLife?.high ?? null,
  expectedLoad: basis.expectedLoad.value,
  expectedRaUm: basis.expectedRaUm,
  edgeKw: basis.edgeKw,
  fullKw: basis.fullKw,
});

const known = async (db: Database | Transaction, id: string): Promise<Trial | null> => {
  const [row] = await db.select().from(trials).where(eq(trials.id, id));
  return row ? trialOf(row) : null;
};

/** What an engineer has to hear of a trial; null where all went well. */
export function findingText(input: TrialInput, minutes: number, expected: number | null): string | null {
  const { ending, brokeAt, sound, part, glow, note } = input;
  const failed = ending === 'broken' || ending === 'chipped';
  if (!failed && sound !== 'squeal' && part !== 'scrapped' && glow !== true) return null;
  const about = (n: number): string => formatMeasure(n, 'min-life', 'metric');
  const facts = [
    failed &&
      `Edge ${input.edge} ${ending}${brokeAt ? ` (${brokeAt})` : ''} in feature ${Math.ceil(input.features)}, after ${about(minutes)} of cutting${expected === null ? '' : `; about ${about(expected)} expected`}.`,
    sound === 'squeal' && 'It squealed.',
    glow === true && 'It glowed.',
    part === 'scrapped' && 'Part scrapped.',
    part === 'reworked' && failed && 'Part reworked.',
    note && `“${note}”`,
  ];
  return facts.filter(Boolean).join(' ');
}

/**
 * Keeps a trial with what it is held against. Sent twice it is kept once; one that puts another right marks it so. Refuses an
 * operation that was never released.
 */
export async function logTrial(
  db: Database,
  basisOf: BasisOf,
  person: Person,
  input: TrialInput,
): Promise<Trial> {
  const already = await known(db, input.id);
  if (already) return already;
  const on = await sheetOperation(db, input.releaseId, input.operationId);
  const { document, context, name } = on.operation;
  const basis = await basisOf(asRun(document, input), context);
  const minutes = input.minutes ?? input.features * basis.cuttingMinPerFeature;
  const { photo, recording, at, note, corrects } = input;
  const { ending, wearMm, loadPercent, ...seen } = seenOf(input);
  return db.transaction(async (tx) => {
    const [made] = await tx
      .insert(trials)
      .values({
        id: input.id,
        at: new Date(at),
        jobId: on.jobId,
        jobNumber: on.jobNumber,
        releaseId: input.releaseId,
        operationId: input.operationId,
        operation: name,
        kind: document.kind,
        alloyId: document.alloyId,
        heatLot: input.heatLot,
        machineId: document.machineId,
        machineSerial: input.machineSerial,
        cutterId: document.tooling.cutterId,
        ...basisColumns(basis),
        edge: input.edge,
        features: input.features,
        minutes,
        ending,
        loadPercent,
        wearMm,
        seen,
        note,
        corrects,
        madeById: person.id,
        madeBy: person.name,
      })
      .onConflictDoNothing()
      .returning();
    if (!made) return (await known(tx, input.id))!;
    await keepFloorFile(tx, person, made.id, 'photo', photo);
    await keepFloorFile(tx, person, made.id, 'recording', recording);
    if (corrects !== null) await putRight(tx, person, corrects, made);
    const text = findingText(input, minutes, basis.expectedLife?.value ?? null);
    if (text !== null)
      await find(tx, {
        jobId: on.jobId,
        releaseId: input.releaseId,
        operationId: input.operationId,
        operation: name,
        kind: 'trial',
        sourceId: made.id,
        text,
        at: made.at,
        by: person.name,
      });
    await record(tx, person, {
      action: corrects === null ? 'logged trial' : 'corrected trial',
      jobId: on.jobId,
      subject: name,
      detail: { trial: made.id, ending, ...(corrects === null ? {} : { corrects }) },
    });
    return trialById(tx, made.id);
  });
}

/** Marks the trial as put right by a later one, which takes its place: its photo, and what of it waits for an answer. */
async function putRight(
  tx: Transaction,
  person: Person,
  id: string,
  by: typeof trials.$inferSelect,
): Promise<void> {
  const marked = await tx
    .update(trials)
    .set({ correctedBy: by.id })
    .where(and(eq(trials.id, id), isNull(trials.correctedBy), eq(trials.operationId, by.operationId!)))
    .returning({ id: trials.id });
  if (marked.length === 0)
    throw new Refusal('state', 'The trial this corrects is not of this operation, or was corrected already.');
  await takeOverFloorFiles(tx, person, id, by.id);
  await settleFindings(tx, person, id, 'Put right by a later entry.');
}
