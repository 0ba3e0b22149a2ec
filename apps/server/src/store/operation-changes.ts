import {
  type JobDetail,
  type JobOperation,
  MOST_OPERATIONS,
  type OperationBack,
  type OperationInput,
  type OperationUpdate,
  type Person,
} from '@burl/contract';
import { InputError } from '@burl/core';
import { and, asc, eq, sql } from 'drizzle-orm';
import { changed, record } from './audit.ts';
import { requirePossible, requireAllPossible } from './possible.ts';
import type { Database, Transaction } from './client.ts';
import { jobDetail, jobOfHole, jobOfOperation, jobOfSetup, openForEditing, touch } from './job-store.ts';
import { notFound, stale } from './refusal.ts';
import { operations, setups, variants } from './schema/jobs.ts';

type OperationRow = Omit<JobOperation, 'variants'>;

/** The place after the last operation of a setup. */
export async function placeAtEnd(tx: Transaction, setupId: string): Promise<number> {
  const [last] = await tx
    .select({ n: sql<number>`coalesce(max(${operations.position}), -1)::int` })
    .from(operations)
    .where(eq(operations.setupId, setupId));
  const place = (last?.n ?? -1) + 1;
  if (place >= MOST_OPERATIONS)
    throw new InputError([
      { field: 'operations', value: place, allowed: `up to ${MOST_OPERATIONS} in a setup` },
    ]);
  return place;
}

/** Adds an operation with its variant A at the end of a setup. */
export const addOperation = (
  db: Database,
  person: Person,
  jobId: string,
  input: OperationInput,
): Promise<OperationRow> =>
  db.transaction(async (tx) => {
    const job = await openForEditing(tx, jobId);
    if ((await jobOfSetup(tx, input.setupId)) !== jobId) throw notFound('This setup');
    await requirePossible(tx, input.document, job);
    const position = await placeAtEnd(tx, input.setupId);
    const [op] = await tx
      .insert(operations)
      .values({ setupId: input.setupId, name: input.name, position })
      .returning();
    await tx
      .insert(variants)
      .values({ operationId: op!.id, label: 'A', document: input.document, updatedBy: person.name });
    await record(tx, person, { action: 'added operation', jobId, subject: input.name });
    await touch(tx, jobId, person);
    return op!;
  });

/** Renames an operation or chooses its variant. */
export const changeOperation = (
  db: Database,
  person: Person,
  id: string,
  { name, selected, version }: OperationUpdate,
): Promise<OperationRow> =>
  db.transaction(async (tx) => {
    const jobId = await jobOfOperation(tx, id);
    await openForEditing(tx, jobId);
    const [variant] = await tx
      .select()
      .from(variants)
      .where(and(eq(variants.operationId, id), eq(variants.label, selected)));
    if (!variant)
      throw new InputError([{ field: 'selected', value: selected, allowed: 'a variant this operation has' }]);
    const [before] = await tx.select().from(operations).where(eq(operations.id, id));
    const [after] = await tx
      .update(operations)
      .set({ name, selected, version: version + 1 })
      .where(and(eq(operations.id, id), eq(operations.version, version)))
      .returning();
    if (!after) {
      const [current] = await tx.select().from(operations).where(eq(operations.id, id));
      throw stale(current);
    }
    await record(tx, person, {
      action: 'changed operation',
      jobId,
      subject: name,
      detail: changed({ name: before?.name, selected: before?.selected }, { name, selected }),
    });
    await touch(tx, jobId, person);
    return after;
  });

export const removeOperation = (db: Database, person: Person, id: string): Promise<JobDetail> =>
  db.transaction(async (tx) => {
    const jobId = await jobOfOperation(tx, id);
    await openForEditing(tx, jobId);
    const [gone] = await tx.delete(operations).where(eq(operations.id, id)).returning();
    const [setup] = await tx.select().from(setups).where(eq(setups.id, gone!.setupId));
    await record(tx, person, {
      action: 'removed operation',
      jobId,
      subject: gone!.name,
      detail: { setup: setup?.name },
    });
    await touch(tx, jobId, person);
    return jobDetail(tx, jobId);
  });

/** Every operation of a setup numbered anew, with one of them at a place. */
async function moveTo(tx: Transaction, setupId: string, id: string, place: number): Promise<void> {
  const rows = await tx
    .select({ id: operations.id })
    .from(operations)
    .where(eq(operations.setupId, setupId))
    .orderBy(asc(operations.position));
  const others = rows.filter((r) => r.id !== id);
  others.splice(Math.min(place, others.length), 0, { id });
  for (const [position, row] of others.entries())
    await tx.update(operations).set({ position }).where(eq(operations.id, row.id));
}

function requireOneOfEach({ variants: had, selected }: OperationBack): void {
  const labels = had.map((v) => v.label);
  if (new Set(labels).size === labels.length && labels.includes(selected)) return;
  throw new InputError([
    {
      field: 'variants',
      value: labels.join(', '),
      allowed: 'each letter once, the chosen one among them',
    },
  ]);
}

/** Puts a removed operation back where it stood with all its variants. */
export async function putBack(
  db: Database,
  person: Person,
  jobId: string,
  back: OperationBack,
): Promise<JobDetail> {
  requireOneOfEach(back);
  const { place, variants: had, ...fields } = back;
  return db.transaction(async (tx) => {
    const job = await openForEditing(tx, jobId);
    if ((await jobOfSetup(tx, fields.setupId)) !== jobId) throw notFound('This setup');
    if (fields.holeId !== null && (await jobOfHole(tx, fields.holeId)) !== jobId)
      throw notFound('This kind of hole');
    await requireAllPossible(tx, had, job, 'variants');
    const [op] = await tx
      .insert(operations)
      .values({ ...fields, position: place })
      .returning();
    for (const { label, document } of had)
      await tx.insert(variants).values({ operationId: op!.id, label, document, updatedBy: person.name });
    await moveTo(tx, fields.setupId, op!.id, place);
    await record(tx, person, { action: 'put back operation', jobId, subject: fields.name });
    await touch(tx, jobId, person);
    return jobDetail(tx, jobId);
  });
}
