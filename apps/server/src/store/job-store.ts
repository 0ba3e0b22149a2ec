import type { HoleKindRecord, Job, JobDetail, JobOperation, Person, Setup, Variant } from '@burl/contract';
import { asc, eq, inArray } from 'drizzle-orm';
import type { Database, Transaction } from './client.ts';
import { holes, jobs, operations, setups, variants } from './schema/jobs.ts';
import { locked, present } from './refusal.ts';
import { markStale } from './summary-stale.ts';

type JobRow = typeof jobs.$inferSelect;

export const jobOf = ({ createdAt: _, updatedAt, ...row }: JobRow): Job => ({
  ...row,
  updatedAt: updatedAt.toISOString(),
});

export const variantOf = (v: typeof variants.$inferSelect): Variant => ({
  id: v.id,
  label: v.label,
  version: v.version,
  document: v.document,
  updatedAt: v.updatedAt.toISOString(),
  updatedBy: v.updatedBy,
});

export const holeOf = ({
  id,
  position,
  demand,
  chosen,
  changes,
  version,
}: typeof holes.$inferSelect): HoleKindRecord => ({ id, position, demand, chosen, changes, version });

/** A job with its route and every variant. Refuses when it is not there. */
export async function jobDetail(db: Database | Transaction, jobId: string): Promise<JobDetail> {
  const [row] = await db.select().from(jobs).where(eq(jobs.id, jobId));
  return {
    job: jobOf(present(row, 'This job')),
    setups: (await routesOf(db, [jobId])).get(jobId) ?? [],
    holes: await holesOf(db, jobId),
  };
}

/** Hole groups of a job, in their order. */
export async function holesOf(db: Database | Transaction, jobId: string): Promise<HoleKindRecord[]> {
  const rows = await db.select().from(holes).where(eq(holes.jobId, jobId)).orderBy(asc(holes.position));
  return rows.map(holeOf);
}

/** The job a kind of hole belongs to. Refuses when it is not there. */
export async function jobOfHole(tx: Transaction, holeId: string): Promise<string> {
  const [row] = await tx.select({ jobId: holes.jobId }).from(holes).where(eq(holes.id, holeId));
  return present(row, 'This kind of hole').jobId;
}

/** Routes of several jobs with three queries, however many jobs. */
export async function routesOf(
  db: Database | Transaction,
  jobIds: readonly string[],
): Promise<Map<string, Setup[]>> {
  const byJob = new Map<string, Setup[]>();
  if (jobIds.length === 0) return byJob;
  const setupRows = await db
    .select()
    .from(setups)
    .where(inArray(setups.jobId, [...jobIds]))
    .orderBy(asc(setups.position));
  const setupIds = setupRows.map((s) => s.id);
  const operationRows = setupIds.length
    ? await db
        .select()
        .from(operations)
        .where(inArray(operations.setupId, setupIds))
        .orderBy(asc(operations.position))
    : [];
  const operationIds = operationRows.map((o) => o.id);
  const variantRows = operationIds.length
    ? await db
        .select()
        .from(variants)
        .where(inArray(variants.operationId, operationIds))
        .orderBy(asc(variants.label))
    : [];
  const operationsOfSetup = (setupId: string): JobOperation[] =>
    operationRows
      .filter((o) => o.setupId === setupId)
      .map((o) => ({
        ...o,
        variants: variantRows.filter((v) => v.operationId === o.id).map(variantOf),
      }));
  for (const s of setupRows) {
    const list = byJob.get(s.jobId) ?? [];
    list.push({
      id: s.id,
      name: s.name,
      position: s.position,
      plan: s.plan,
      version: s.version,
      operations: operationsOfSetup(s.id),
    });
    byJob.set(s.jobId, list);
  }
  return byJob;
}

/** Locks the job's row for this transaction and makes sure it may be changed. Refuses when it is gone or locked. */
export async function openForEditing(tx: Transaction, jobId: string): Promise<JobRow> {
  const [found] = await tx.select().from(jobs).where(eq(jobs.id, jobId)).for('update');
  return requireOpen(present(found, 'This job'));
}

/** The same of a row that was read. */
export function requireOpen(row: JobRow): JobRow {
  if (row.status === 'requested')
    throw locked('Release requested: withdraw the request to change something.');
  if (row.status === 'released')
    throw locked('These numbers are released and locked: open the next revision to change them.');
  return row;
}

/** Notes who changed something in a job, and when, and that its summary no longer holds. */
export async function touch(tx: Transaction, jobId: string, person: Person): Promise<void> {
  await tx.update(jobs).set({ updatedAt: new Date(), updatedBy: person.name }).where(eq(jobs.id, jobId));
  await markStale(tx, jobId);
}

export async function jobOfSetup(tx: Transaction, setupId: string): Promise<string> {
  const [row] = await tx.select({ jobId: setups.jobId }).from(setups).where(eq(setups.id, setupId));
  return present(row, 'This setup').jobId;
}

export async function jobOfOperation(tx: Transaction | Database, operationId: string): Promise<string> {
  const [row] = await tx
    .select({ jobId: setups.jobId })
    .from(operations)
    .innerJoin(setups, eq(setups.id, operations.setupId))
    .where(eq(operations.id, operationId));
  return present(row, 'This operation').jobId;
}

export async function operationOfVariant(
  tx: Transaction,
  variantId: string,
): Promise<{ operationId: string; jobId: string }> {
  const [row] = await tx
    .select({ operationId: variants.operationId, jobId: setups.jobId })
    .from(variants)
    .innerJoin(operations, eq(operations.id, variants.operationId))
    .innerJoin(setups, eq(setups.id, operations.setupId))
    .where(eq(variants.id, variantId));
  return present(row, 'This variant');
}
