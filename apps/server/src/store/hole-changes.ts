import type { HoleInput, HoleKindRecord, HoleSteps, HoleUpdate, JobDetail, Person } from '@burl/contract';
import { requireDemand } from '@burl/core';
import { and, asc, eq, sql } from 'drizzle-orm';
import { changed, record } from './audit.ts';
import type { Database, Transaction } from './client.ts';
import { holeOf, jobDetail, jobOfHole, jobOfSetup, openForEditing, touch } from './job-store.ts';
import { placeAtEnd } from './operation-changes.ts';
import { requireAllPossible } from './possible.ts';
import { notFound, stale } from './refusal.ts';
import { holes, operations, variants } from './schema/jobs.ts';

/** Takes the steps of a hole group out of the route; answers where the first of them stood. */
async function takeOut(
  tx: Transaction,
  holeId: string,
): Promise<{ setupId: string; position: number } | null> {
  const [first] = await tx
    .select({ setupId: operations.setupId, position: operations.position })
    .from(operations)
    .where(eq(operations.holeId, holeId))
    .orderBy(asc(operations.position))
    .limit(1);
  await tx.delete(operations).where(eq(operations.holeId, holeId));
  return first ?? null;
}

/** Adds a hole group to a job. */
export function addHoles(
  db: Database,
  person: Person,
  jobId: string,
  { demand }: HoleInput,
): Promise<HoleKindRecord> {
  requireDemand(demand);
  return db.transaction(async (tx) => {
    await openForEditing(tx, jobId);
    const [last] = await tx
      .select({ n: sql<number>`coalesce(max(${holes.position}), -1)::int` })
      .from(holes)
      .where(eq(holes.jobId, jobId));
    const [row] = await tx
      .insert(holes)
      .values({ jobId, position: (last?.n ?? -1) + 1, demand, changes: {}, updatedBy: person.name })
      .returning();
    await record(tx, person, { action: 'stated holes', jobId, subject: demand.name, detail: demand });
    await touch(tx, jobId, person);
    return holeOf(row!);
  });
}

/** Changes the requirement or the method of a hole group. */
export function changeHoles(
  db: Database,
  person: Person,
  id: string,
  { version, demand, chosen, changes }: HoleUpdate,
): Promise<HoleKindRecord> {
  requireDemand(demand);
  return db.transaction(async (tx) => {
    const jobId = await jobOfHole(tx, id);
    await openForEditing(tx, jobId);
    const [before] = await tx.select().from(holes).where(eq(holes.id, id));
    const [after] = await tx
      .update(holes)
      .set({
        demand,
        chosen,
        changes,
        version: version + 1,
        updatedAt: new Date(),
        updatedBy: person.name,
      })
      .where(and(eq(holes.id, id), eq(holes.version, version)))
      .returning();
    if (!after) {
      const [current] = await tx.select().from(holes).where(eq(holes.id, id));
      throw stale(current && holeOf(current));
    }
    await record(tx, person, {
      action: 'changed holes',
      jobId,
      subject: demand.name,
      detail: changed(
        { demand: before?.demand, chosen: before?.chosen, changes: before?.changes },
        { demand, chosen, changes },
      ),
    });
    await touch(tx, jobId, person);
    return holeOf(after);
  });
}

/** Removes a hole group with its steps. */
export const removeHoles = (db: Database, person: Person, id: string): Promise<JobDetail> =>
  db.transaction(async (tx) => {
    const jobId = await jobOfHole(tx, id);
    await openForEditing(tx, jobId);
    await takeOut(tx, id);
    const [gone] = await tx.delete(holes).where(eq(holes.id, id)).returning();
    await record(tx, person, { action: 'removed holes', jobId, subject: gone?.demand.name ?? '' });
    await touch(tx, jobId, person);
    return jobDetail(tx, jobId);
  });

/** Puts the steps of the chosen method into the route, where the ones before them stood. */
export const putStepsIntoRoute = (
  db: Database,
  person: Person,
  id: string,
  { setupId, steps }: HoleSteps,
): Promise<JobDetail> =>
  db.transaction(async (tx) => {
    const jobId = await jobOfHole(tx, id);
    const job = await openForEditing(tx, jobId);
    if ((await jobOfSetup(tx, setupId)) !== jobId) throw notFound('This setup');
    await requireAllPossible(tx, steps, job, 'steps');
    const stood = await takeOut(tx, id);
    // New steps stand where the old ones stood; what comes after makes room.
    const at = stood && stood.setupId === setupId ? stood.position : await placeAtEnd(tx, setupId);
    await tx
      .update(operations)
      .set({ position: sql`${operations.position} + ${steps.length}` })
      .where(and(eq(operations.setupId, setupId), sql`${operations.position} >= ${at}`));
    for (const [i, s] of steps.entries()) {
      const [op] = await tx
        .insert(operations)
        .values({ setupId, name: s.name, position: at + i, holeId: id, holeStep: s.step })
        .returning();
      await tx
        .insert(variants)
        .values({ operationId: op!.id, label: 'A', document: s.document, updatedBy: person.name });
    }
    await record(tx, person, {
      action: 'put holes into the route',
      jobId,
      subject: steps.map((s) => s.name).join(', '),
    });
    await touch(tx, jobId, person);
    return jobDetail(tx, jobId);
  });
