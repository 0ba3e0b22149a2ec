import {
  type CombinationInput,
  combinationSchema,
  MOST_ATTACHED,
  type TestCutInput,
  testCutSchema,
  type TipInput,
  tipSchema,
} from '@burl/contract';
import {
  implausibleTip,
  impossibleIn,
  InputError,
  isPracticeSerial,
  PRACTICE_SERIAL,
  seenIn,
} from '@burl/core';
import { eq } from 'drizzle-orm';
import type { FastifyInstance } from 'fastify';
import type { Database, Transaction } from '../db/client.ts';
import { alloys, combinations, cutters, holders, machines, testCuts, tipRecords } from '../db/schema.ts';
import { bodyOf, idOf, personOf } from '../http/plugin.ts';
import { notFound } from '../http/problems.ts';
import { record } from '../jobs/audit.ts';
import { combinationsOf } from '../jobs/combination-store.ts';

/** A measured response of 20,000 lines as JSON, with room to spare. */
const MOST_RESPONSE_BYTES = 4_000_000;

async function requireEntry(
  tx: Transaction,
  table: typeof machines | typeof holders | typeof cutters | typeof alloys,
  field: string,
  id: string,
): Promise<void> {
  const [found] = await tx
    .select({ id: table.id })
    .from(table as typeof machines)
    .where(eq(table.id, id));
  if (!found) throw new InputError([{ field, value: id, allowed: 'an entry of the crib' }]);
}

async function requireCombination(tx: Transaction, id: string): Promise<typeof combinations.$inferSelect> {
  const [found] = await tx.select().from(combinations).where(eq(combinations.id, id));
  if (!found) throw notFound('This combination');
  return found;
}

const named = (c: typeof combinations.$inferSelect): string =>
  `${c.machineSerial}/${c.holderId}/${c.cutterId}/${c.stickOutMm}`;

/** Throws where something simulated would be kept under the serial of a real machine. */
function refuseSimulated(c: typeof combinations.$inferSelect, simulated: boolean): void {
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
  c: typeof combinations.$inferSelect,
  cut: Pick<TestCutInput, 'rpm' | 'overridePercent' | 'axialDepthMm' | 'radialEngagementMm'>,
): Promise<void> {
  const [machine] = await tx.select().from(machines).where(eq(machines.id, c.machineId));
  const [cutter] = await tx.select().from(cutters).where(eq(cutters.id, c.cutterId));
  const problems = impossibleIn(cut, machine!.document, cutter!.document, c.stickOutMm);
  if (problems.length > 0) throw new InputError(problems);
}

/** Combinations, tap tests and the notebook. */
export function resonanceRoutes(app: FastifyInstance, db: Database): void {
  app.get(
    '/api/resonance',
    { config: { access: 'person' }, schema: { summary: 'All combinations', tags: ['resonance'] } },
    () => combinationsOf(db),
  );

  app.post(
    '/api/resonance',
    {
      config: { access: 'editor', body: combinationSchema },
      schema: { summary: 'Remember a combination', tags: ['resonance'] },
    },
    async (request, reply) => {
      const input = bodyOf<CombinationInput>(request);
      const made = await db.transaction(async (tx) => {
        await requireEntry(tx, machines, 'machineId', input.machineId);
        await requireEntry(tx, holders, 'holderId', input.holderId);
        await requireEntry(tx, cutters, 'cutterId', input.cutterId);
        const [row] = await tx
          .insert(combinations)
          .values({ ...input, madeBy: personOf(request).name })
          .onConflictDoNothing()
          .returning();
        if (!row) {
          throw new InputError([
            {
              field: 'stickOutMm',
              value: input.stickOutMm,
              allowed: 'a combination that is not remembered yet',
            },
          ]);
        }
        await record(tx, personOf(request), { action: 'made combination', subject: named(row) });
        return row;
      });
      return reply.status(201).send(made);
    },
  );

  app.post(
    '/api/resonance/:id/tips',
    {
      bodyLimit: MOST_RESPONSE_BYTES,
      config: { access: 'editor', body: tipSchema },
      schema: { summary: 'Keep a tap test or a table of modes', tags: ['resonance'] },
    },
    async (request, reply) => {
      const input = bodyOf<TipInput>(request);
      const made = await db.transaction(async (tx) => {
        const combination = await requireCombination(tx, idOf(request));
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
            combinationId: combination.id,
            madeBy: personOf(request).name,
          })
          .returning({ id: tipRecords.id });
        await record(tx, personOf(request), {
          action: input.source === 'measured' ? 'kept tap test' : 'kept table of modes',
          subject: `${named(combination)} ${input.axis}`,
          detail: { origin: input.origin, modes: input.modes.length },
        });
        return row!;
      });
      return reply.status(201).send(made);
    },
  );

  app.post(
    '/api/resonance/tips/:id/restore',
    {
      config: { access: 'editor' },
      schema: { summary: 'Bring an earlier tap test or table of modes back', tags: ['resonance'] },
    },
    async (request, reply) => {
      const made = await db.transaction(async (tx) => {
        const [earlier] = await tx
          .select()
          .from(tipRecords)
          .where(eq(tipRecords.id, idOf(request)));
        if (!earlier) throw notFound('This record');
        const combination = await requireCombination(tx, earlier.combinationId);
        // A copy on top: what was tried in between stays in the history.
        const { id: from, madeAt: _, ...rest } = earlier;
        const [row] = await tx.insert(tipRecords).values(rest).returning({ id: tipRecords.id });
        await record(tx, personOf(request), {
          action: 'brought tip back',
          subject: `${named(combination)} ${earlier.axis}`,
          detail: { from, origin: earlier.origin },
        });
        return row!;
      });
      return reply.status(201).send(made);
    },
  );

  app.post(
    '/api/resonance/:id/cuts',
    {
      bodyLimit: Math.ceil(MOST_ATTACHED * 1.4),
      // Whoever stands at the machine writes in the notebook.
      config: { access: 'person', body: testCutSchema },
      schema: { summary: 'Write a cut into the notebook', tags: ['resonance'] },
    },
    async (request, reply) => {
      const { attachment, ...cut } = bodyOf<TestCutInput>(request);
      const made = await db.transaction(async (tx) => {
        const combination = await requireCombination(tx, idOf(request));
        await requireEntry(tx, alloys, 'alloyId', cut.alloyId);
        refuseSimulated(combination, cut.simulated);
        await refuseImpossible(tx, combination, cut);
        const [row] = await tx
          .insert(testCuts)
          .values({
            ...cut,
            combinationId: combination.id,
            attachmentName: attachment?.name ?? null,
            attachmentType: attachment?.type ?? null,
            attachment: attachment ? Buffer.from(attachment.base64, 'base64') : null,
            madeBy: personOf(request).name,
          })
          .returning({ id: testCuts.id });
        await record(tx, personOf(request), {
          action: 'logged test cut',
          subject: named(combination),
          detail: { heard: cut.heard, rpm: cut.rpm, axialDepthMm: cut.axialDepthMm },
        });
        return row!;
      });
      return reply.status(201).send(made);
    },
  );

  app.get(
    '/api/resonance/cuts/:id/attachment',
    {
      config: { access: 'person' },
      schema: { summary: 'Recording or picture of a cut', tags: ['resonance'] },
    },
    async (request, reply) => {
      const [row] = await db
        .select({ bytes: testCuts.attachment, type: testCuts.attachmentType, name: testCuts.attachmentName })
        .from(testCuts)
        .where(eq(testCuts.id, idOf(request)));
      if (!row?.bytes || !row.type) throw notFound('This recording');
      return reply
        .header('content-type', row.type)
        .header(
          'content-disposition',
          `attachment; filename*=UTF-8''${encodeURIComponent(row.name ?? 'file')}`,
        )
        .send(row.bytes);
    },
  );

  app.delete(
    '/api/resonance/cuts/:id',
    {
      config: { access: 'editor' },
      schema: { summary: 'Delete a test cut', tags: ['resonance'] },
    },
    async (request) => {
      await db.transaction(async (tx) => {
        const [row] = await tx
          .delete(testCuts)
          .where(eq(testCuts.id, idOf(request)))
          .returning({ combinationId: testCuts.combinationId, rpm: testCuts.rpm, heard: testCuts.heard });
        if (!row) throw notFound('This cut');
        await record(tx, personOf(request), {
          action: 'struck test cut',
          subject: row.combinationId,
          detail: { rpm: row.rpm, heard: row.heard },
        });
      });
      return {};
    },
  );
}
