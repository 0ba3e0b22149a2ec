import type { CombinationInput, Person, TestCutInput, TipInput } from '@burl/contract';
import {
  implausibleTip,
  impossibleIn,
  InputError,
  isPracticeSerial,
  PRACTICE_SERIAL,
  seenIn,
} from '@burl/core';
import { and, eq, isNull } from 'drizzle-orm';
import { record } from './audit.ts';
import type { Database, Transaction } from './client.ts';
import { attachedBytes, keepAttachment } from './attachments.ts';
import { requireEntry } from './crib-store.ts';
import { present } from './refusal.ts';
import { markStaleUsing } from './summary-stale.ts';
import { combinations, testCuts, tipRecords } from './schema/chatter.ts';

type CombinationRow = typeof combinations.$inferSelect;
interface Made {
  readonly id: string;
}

async function requireCombination(tx: Transaction, id: string): Promise<CombinationRow> {
  const [found] = await tx
    .select()
    .from(combinations)
    .where(and(eq(combinations.id, id), isNull(combinations.removedAt)));
  return present(found, 'This combination');
}

/** What the trail calls a combination. */
export const named = (c: CombinationRow): string =>
  `${c.machineSerial}/${c.holderId}/${c.cutterId}/${c.stickOutMm}`;

/** Throws where something simulated would be kept under the serial of a real machine. */
function refuseSimulated(c: CombinationRow, simulated: boolean): void {
  if (!simulated || isPracticeSerial(c.machineSerial)) return;
  throw new InputError([
    {
      field: 'machineSerial',
      value: c.machineSerial,
      allowed: `a serial beginning with ${PRACTICE_SERIAL}: simulated taps and sounds teach nothing of a real machine`,
    },
  ]);
}

/** Throws where a cut cannot have been run with this combination, naming each number beyond it. */
async function refuseImpossible(
  tx: Transaction,
  c: CombinationRow,
  cut: Pick<TestCutInput, 'rpm' | 'overridePercent' | 'axialDepthMm' | 'radialEngagementMm'>,
): Promise<void> {
  const machine = await requireEntry(tx, 'machines', 'machineId', c.machineId);
  const cutter = await requireEntry(tx, 'cutters', 'cutterId', c.cutterId);
  const problems = impossibleIn(cut, machine, cutter, c.stickOutMm);
  if (problems.length > 0) throw new InputError(problems);
}

/** Throws unless machine, holder and cutter are of the crib. */
export async function requireNamed(tx: Transaction, input: CombinationInput): Promise<void> {
  await requireEntry(tx, 'machines', 'machineId', input.machineId);
  await requireEntry(tx, 'holders', 'holderId', input.holderId);
  await requireEntry(tx, 'cutters', 'cutterId', input.cutterId);
}

/** One spindle, holder, tool and stick-out, to remember what was measured of it. */
export const addCombination = (db: Database, person: Person, input: CombinationInput): Promise<Made> =>
  db.transaction(async (tx) => {
    await requireNamed(tx, input);
    const [row] = await tx
      .insert(combinations)
      .values({ ...input, madeBy: person.name })
      .onConflictDoNothing()
      .returning();
    if (!row) {
      throw new InputError([
        { field: 'stickOutMm', value: input.stickOutMm, allowed: 'a combination that is not remembered yet' },
      ]);
    }
    await record(tx, person, { action: 'made combination', subject: named(row) });
    return row;
  });

/** Keeps a tap test or a table of modes of one direction. */
export const saveTip = (
  db: Database,
  person: Person,
  combinationId: string,
  input: TipInput,
): Promise<Made> =>
  db.transaction(async (tx) => {
    const combination = await requireCombination(tx, combinationId);
    const { modes, ...rest } = input;
    refuseSimulated(combination, input.origin.startsWith('simulated'));
    // Judged by what the response showed: modes kept from the model would hide one in other units.
    const wrong = implausibleTip(seenIn(modes, input.receptance?.hz.at(-1) ?? Infinity));
    if (wrong) throw new InputError([wrong]);
    const [row] = await tx
      .insert(tipRecords)
      .values({
        ...rest,
        modes: modes.map(({ shape, ...m }) => (shape ? { ...m, shape } : m)),
        combinationId,
        madeBy: person.name,
      })
      .returning({ id: tipRecords.id });
    await markStaleUsing(tx, combination);
    await record(tx, person, {
      action: input.source === 'measured' ? 'kept tap test' : 'kept table of modes',
      subject: `${named(combination)} ${input.axis}`,
      detail: { origin: input.origin, modes: input.modes.length },
    });
    return row!;
  });

/** Puts a copy of an earlier record on top: what was tried in between stays in the history. */
export const restoreTip = (db: Database, person: Person, id: string): Promise<Made> =>
  db.transaction(async (tx) => {
    const [found] = await tx.select().from(tipRecords).where(eq(tipRecords.id, id));
    const earlier = present(found, 'This record');
    const combination = await requireCombination(tx, earlier.combinationId);
    const { id: from, madeAt: _, ...rest } = earlier;
    const [row] = await tx.insert(tipRecords).values(rest).returning({ id: tipRecords.id });
    await markStaleUsing(tx, combination);
    await record(tx, person, {
      action: 'brought tip back',
      subject: `${named(combination)} ${earlier.axis}`,
      detail: { from, origin: earlier.origin },
    });
    return row!;
  });

/** Logs a test cut with its recording or picture. */
export const logTestCut = async (
  db: Database,
  person: Person,
  combinationId: string,
  { attachment, ...cut }: TestCutInput,
): Promise<Made> => {
  // Looked at before anything is locked.
  const bytes = attachment ? await attachedBytes(attachment) : null;
  return db.transaction(async (tx) => {
    const combination = await requireCombination(tx, combinationId);
    await requireEntry(tx, 'alloys', 'alloyId', cut.alloyId);
    refuseSimulated(combination, cut.simulated);
    await refuseImpossible(tx, combination, cut);
    const [row] = await tx
      .insert(testCuts)
      .values({
        ...cut,
        combinationId,
        attachmentName: attachment?.name ?? null,
        attachmentType: attachment?.type ?? null,
        madeBy: person.name,
      })
      .returning({ id: testCuts.id });
    if (bytes) await keepAttachment(tx, person, row!.id, bytes);
    await markStaleUsing(tx, combination);
    await record(tx, person, {
      action: 'logged test cut',
      subject: named(combination),
      detail: { heard: cut.heard, rpm: cut.rpm, axialDepthMm: cut.axialDepthMm },
    });
    return row!;
  });
};

export const removeTestCut = (db: Database, person: Person, id: string): Promise<void> =>
  db.transaction(async (tx) => {
    const [found] = await tx
      .delete(testCuts)
      .where(eq(testCuts.id, id))
      .returning({ combinationId: testCuts.combinationId, rpm: testCuts.rpm, heard: testCuts.heard });
    const row = present(found, 'This cut');
    await markStaleUsing(tx, await requireCombination(tx, row.combinationId));
    await record(tx, person, {
      action: 'struck test cut',
      subject: row.combinationId,
      detail: { rpm: row.rpm, heard: row.heard },
    });
  });
