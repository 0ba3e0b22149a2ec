import { requireDemand } from '@burl/core';
import {
  type HoleInput,
  holeInputSchema,
  type HoleSteps,
  holeStepsSchema,
  type HoleUpdate,
  holeUpdateSchema,
} from '@burl/contract';
import { and, asc, eq, sql } from 'drizzle-orm';
import type { FastifyInstance } from 'fastify';
import type { Database, Transaction } from '../db/client.ts';
import { holes, operations, variants } from '../db/schema.ts';
import { bodyOf, idOf, personOf } from '../http/plugin.ts';
import { invalid, notFound, stale } from '../http/problems.ts';
import { record } from '../jobs/audit.ts';
import { wholeCrib } from '../jobs/crib-store.ts';
import { jobDetail, jobOfHole, jobOfSetup, openForEditing, touch } from '../jobs/job-store.ts';
import { problemsOfAll } from '../jobs/problems-of-all.ts';

/** Takes the steps of a kind of hole out of the route; answers where the first of them stood. */
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

export function holeRoutes(app: FastifyInstance, db: Database): void {
  app.post(
    '/api/jobs/:id/holes',
    {
      config: { access: 'editor', body: holeInputSchema },
      schema: { summary: 'Create a hole group', tags: ['holes'] },
    },
    async (request, reply) => {
      const jobId = idOf(request);
      const person = personOf(request);
      const { demand } = bodyOf<HoleInput>(request);
      requireDemand(demand);
      const made = await db.transaction(async (tx) => {
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
        return row!;
      });
      return reply.status(201).send(made);
    },
  );

  app.put(
    '/api/holes/:id',
    {
      config: { access: 'editor', body: holeUpdateSchema },
      schema: { summary: 'Change a hole group’s requirement or method', tags: ['holes'] },
    },
    (request) => {
      const id = idOf(request);
      const person = personOf(request);
      const { version, demand, chosen, changes } = bodyOf<HoleUpdate>(request);
      requireDemand(demand);
      return db.transaction(async (tx) => {
        const jobId = await jobOfHole(tx, id);
        await openForEditing(tx, jobId);
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
          throw stale(current);
        }
        await touch(tx, jobId, person);
        return after;
      });
    },
  );

  app.delete(
    '/api/holes/:id',
    {
      config: { access: 'editor' },
      schema: { summary: 'Remove a kind of hole with its steps', tags: ['holes'] },
    },
    (request) => {
      const id = idOf(request);
      const person = personOf(request);
      return db.transaction(async (tx) => {
        const jobId = await jobOfHole(tx, id);
        await openForEditing(tx, jobId);
        await takeOut(tx, id);
        const [gone] = await tx.delete(holes).where(eq(holes.id, id)).returning();
        await record(tx, person, { action: 'removed holes', jobId, subject: gone?.demand.name ?? '' });
        await touch(tx, jobId, person);
        return jobDetail(tx, jobId);
      });
    },
  );

  app.post(
    '/api/holes/:id/steps',
    {
      config: { access: 'editor', body: holeStepsSchema },
      schema: { summary: 'Put the steps of the chosen method into the route', tags: ['holes'] },
    },
    async (request, reply) => {
      const id = idOf(request);
      const person = personOf(request);
      const { setupId, steps } = bodyOf<HoleSteps>(request);
      const detail = await db.transaction(async (tx) => {
        const jobId = await jobOfHole(tx, id);
        const job = await openForEditing(tx, jobId);
        if ((await jobOfSetup(tx, setupId)) !== jobId) throw notFound('This setup');
        const problems = problemsOfAll(steps, await wholeCrib(tx), job.quantity, 'steps');
        if (problems.length > 0) throw invalid(problems);
        const stood = await takeOut(tx, id);
        const [last] = await tx
          .select({ n: sql<number>`coalesce(max(${operations.position}), -1)::int` })
          .from(operations)
          .where(eq(operations.setupId, setupId));
        // New steps stand where the old ones stood; what comes after makes room.
        const at = stood && stood.setupId === setupId ? stood.position : (last?.n ?? -1) + 1;
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
      return reply.status(201).send(detail);
    },
  );
}
