import { type JobDetail, MOST_SETUPS, type Person, type RouteOrder, type Setup } from '@burl/contract';
import { InputError, type SetupPlan } from '@burl/core';
import { and, eq, sql } from 'drizzle-orm';
import { changed, record } from './audit.ts';
import type { Database, Transaction } from './client.ts';
import { requireEntry } from './crib-store.ts';
import { jobDetail, jobOfSetup, openForEditing, touch } from './job-store.ts';
import { inUse, stale } from './refusal.ts';
import { operations, setups } from './schema/jobs.ts';

async function requireMachine(tx: Transaction, plan: SetupPlan | undefined): Promise<void> {
  if (plan?.machineId)
    await requireEntry(tx, 'machines', 'plan.machineId', plan.machineId, 'a machine of the crib');
}

/** Adds a setup at the end of a job's route. */
export const addSetup = (
  db: Database,
  person: Person,
  jobId: string,
  { name, plan }: { readonly name: string; readonly plan?: SetupPlan | undefined },
): Promise<JobDetail> =>
  db.transaction(async (tx) => {
    await openForEditing(tx, jobId);
    const [last] = await tx
      .select({ n: sql<number>`coalesce(max(${setups.position}), -1)::int` })
      .from(setups)
      .where(eq(setups.jobId, jobId));
    if ((last?.n ?? -1) + 1 >= MOST_SETUPS)
      throw new InputError([
        { field: 'setups', value: MOST_SETUPS, allowed: `up to ${MOST_SETUPS} in a job` },
      ]);
    await requireMachine(tx, plan);
    await tx.insert(setups).values({ jobId, name, position: (last?.n ?? -1) + 1, ...(plan && { plan }) });
    await record(tx, person, { action: 'added setup', jobId, subject: name });
    await touch(tx, jobId, person);
    return jobDetail(tx, jobId);
  });

/** Name and plan of a setup; a plan that is not told stays. */
export const changeSetup = (
  db: Database,
  person: Person,
  id: string,
  {
    name,
    plan,
    version,
  }: { readonly name: string; readonly plan?: SetupPlan | undefined; readonly version: number },
): Promise<Omit<Setup, 'operations'>> =>
  db.transaction(async (tx) => {
    const jobId = await jobOfSetup(tx, id);
    await openForEditing(tx, jobId);
    await requireMachine(tx, plan);
    const [before] = await tx
      .select({ name: setups.name, plan: setups.plan })
      .from(setups)
      .where(eq(setups.id, id));
    const [after] = await tx
      .update(setups)
      .set({ name, ...(plan && { plan }), version: version + 1 })
      .where(and(eq(setups.id, id), eq(setups.version, version)))
      .returning();
    if (!after) {
      const [current] = await tx.select().from(setups).where(eq(setups.id, id));
      throw stale(current);
    }
    await record(tx, person, {
      action: plan ? 'changed setup' : 'renamed setup',
      jobId,
      subject: name,
      detail: changed({ name: before?.name, ...before?.plan }, { name, ...(plan ?? before?.plan) }),
    });
    await touch(tx, jobId, person);
    return after;
  });

/** Removes a setup without operations. */
export const removeSetup = (db: Database, person: Person, id: string): Promise<JobDetail> =>
  db.transaction(async (tx) => {
    const jobId = await jobOfSetup(tx, id);
    await openForEditing(tx, jobId);
    const inside = await tx.select({ id: operations.id }).from(operations).where(eq(operations.setupId, id));
    if (inside.length > 0) throw inUse('This setup still has operations.');
    const [gone] = await tx.delete(setups).where(eq(setups.id, id)).returning({ name: setups.name });
    await record(tx, person, { action: 'removed setup', jobId, subject: gone?.name ?? '' });
    await touch(tx, jobId, person);
    return jobDetail(tx, jobId);
  });

const known = (ids: readonly string[]): string => [...ids].sort().join();

/** Puts setups and operations in a new order, which names each of them once. */
export const orderRoute = (
  db: Database,
  person: Person,
  jobId: string,
  order: RouteOrder,
): Promise<JobDetail> =>
  db.transaction(async (tx) => {
    await openForEditing(tx, jobId);
    const { setups: now } = await jobDetail(tx, jobId);
    const sameSetups = known(order.setups.map((s) => s.id)) === known(now.map((s) => s.id));
    const sameOperations =
      known(order.setups.flatMap((s) => s.operations)) ===
      known(now.flatMap((s) => s.operations.map((o) => o.id)));
    if (!sameSetups || !sameOperations) throw stale({ setups: now });
    for (const [i, s] of order.setups.entries()) {
      await tx.update(setups).set({ position: i }).where(eq(setups.id, s.id));
      for (const [j, operationId] of s.operations.entries()) {
        await tx.update(operations).set({ setupId: s.id, position: j }).where(eq(operations.id, operationId));
      }
    }
    const places = (route: readonly { readonly id: string; readonly operations: readonly string[] }[]) =>
      Object.fromEntries(route.flatMap((s, i) => s.operations.map((o, j) => [o, `${i + 1}.${j + 1}`])));
    const before = places(now.map((s) => ({ id: s.id, operations: s.operations.map((o) => o.id) })));
    await record(tx, person, {
      action: 'changed order',
      jobId,
      subject: 'route',
      detail: changed(before, places(order.setups)),
    });
    await touch(tx, jobId, person);
    return jobDetail(tx, jobId);
  });
