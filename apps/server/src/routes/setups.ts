import { type Operation, problemsOf } from '@burl/core';
import {
  type OperationInput,
  operationInputSchema,
  operationUpdateSchema,
  type RouteOrder,
  routeOrderSchema,
  setupInputSchema,
  setupUpdateSchema,
  VARIANT_LABELS,
  type VariantLabel,
  type VariantUpdate,
  variantUpdateSchema,
} from '@burl/contract';
import { and, eq, gt, ne, sql } from 'drizzle-orm';
import type { FastifyInstance } from 'fastify';
import type { Database, Transaction } from '../db/client.ts';
import { operations, people, presence, setups, variants } from '../db/schema.ts';
import { bodyOf, idOf, personOf } from '../http/plugin.ts';
import { HttpProblem, invalid, notFound, stale } from '../http/problems.ts';
import { record } from '../jobs/audit.ts';
import { contextForCheck } from '../jobs/crib-store.ts';
import {
  jobDetail,
  jobOfOperation,
  jobOfSetup,
  openForEditing,
  operationOfVariant,
  touch,
} from '../jobs/job-store.ts';

/** Refuses what the core calls impossible, with every field, value and range. */
async function requirePossible(tx: Transaction, op: Operation, quantity: number): Promise<void> {
  const problems = problemsOf(op, await contextForCheck(tx, op, quantity));
  if (problems.length > 0) throw invalid(problems);
}

export function setupRoutes(app: FastifyInstance, db: Database): void {
  app.post(
    '/api/jobs/:id/setups',
    {
      config: { access: 'editor', body: setupInputSchema },
      schema: { summary: 'Add a setup', tags: ['route'] },
    },
    async (request, reply) => {
      const jobId = idOf(request);
      const detail = await db.transaction(async (tx) => {
        await openForEditing(tx, jobId);
        const [last] = await tx
          .select({ n: sql<number>`coalesce(max(${setups.position}), -1)::int` })
          .from(setups)
          .where(eq(setups.jobId, jobId));
        await tx
          .insert(setups)
          .values({ jobId, name: bodyOf<{ name: string }>(request).name, position: (last?.n ?? -1) + 1 });
        await touch(tx, jobId, personOf(request));
        return jobDetail(tx, jobId);
      });
      return reply.status(201).send(detail);
    },
  );

  app.put(
    '/api/setups/:id',
    {
      config: { access: 'editor', body: setupUpdateSchema },
      schema: { summary: 'Rename a setup', tags: ['route'] },
    },
    (request) => {
      const { name, version } = bodyOf<{ name: string; version: number }>(request);
      const id = idOf(request);
      return db.transaction(async (tx) => {
        const jobId = await jobOfSetup(tx, id);
        await openForEditing(tx, jobId);
        const [after] = await tx
          .update(setups)
          .set({ name, version: version + 1 })
          .where(and(eq(setups.id, id), eq(setups.version, version)))
          .returning();
        if (!after) {
          const [current] = await tx.select().from(setups).where(eq(setups.id, id));
          throw stale(current);
        }
        await touch(tx, jobId, personOf(request));
        return after;
      });
    },
  );

  app.delete(
    '/api/setups/:id',
    { config: { access: 'editor' }, schema: { summary: 'Remove an empty setup', tags: ['route'] } },
    (request) => {
      const id = idOf(request);
      return db.transaction(async (tx) => {
        const jobId = await jobOfSetup(tx, id);
        await openForEditing(tx, jobId);
        const inside = await tx
          .select({ id: operations.id })
          .from(operations)
          .where(eq(operations.setupId, id));
        if (inside.length > 0) throw new HttpProblem(409, 'in-use', 'This setup still has operations.');
        await tx.delete(setups).where(eq(setups.id, id));
        await touch(tx, jobId, personOf(request));
        return jobDetail(tx, jobId);
      });
    },
  );

  app.post(
    '/api/jobs/:id/operations',
    {
      config: { access: 'editor', body: operationInputSchema },
      schema: { summary: 'Add an operation with its variant A', tags: ['route'] },
    },
    async (request, reply) => {
      const jobId = idOf(request);
      const person = personOf(request);
      const input = bodyOf<OperationInput>(request);
      const made = await db.transaction(async (tx) => {
        const job = await openForEditing(tx, jobId);
        if ((await jobOfSetup(tx, input.setupId)) !== jobId) throw notFound('This setup');
        await requirePossible(tx, input.document, job.quantity);
        const [last] = await tx
          .select({ n: sql<number>`coalesce(max(${operations.position}), -1)::int` })
          .from(operations)
          .where(eq(operations.setupId, input.setupId));
        const [op] = await tx
          .insert(operations)
          .values({ setupId: input.setupId, name: input.name, position: (last?.n ?? -1) + 1 })
          .returning();
        await tx
          .insert(variants)
          .values({ operationId: op!.id, label: 'A', document: input.document, updatedBy: person.name });
        await record(tx, person, { action: 'added operation', jobId, subject: input.name });
        await touch(tx, jobId, person);
        return op!;
      });
      return reply.status(201).send(made);
    },
  );

  app.put(
    '/api/operations/:id',
    {
      config: { access: 'editor', body: operationUpdateSchema },
      schema: { summary: 'Rename an operation or choose its variant', tags: ['route'] },
    },
    (request) => {
      const { name, selected, version } = bodyOf<{ name: string; selected: VariantLabel; version: number }>(
        request,
      );
      const id = idOf(request);
      return db.transaction(async (tx) => {
        const jobId = await jobOfOperation(tx, id);
        await openForEditing(tx, jobId);
        const [variant] = await tx
          .select()
          .from(variants)
          .where(and(eq(variants.operationId, id), eq(variants.label, selected)));
        if (!variant)
          throw invalid([{ field: 'selected', value: selected, allowed: 'a variant this operation has' }]);
        const [after] = await tx
          .update(operations)
          .set({ name, selected, version: version + 1 })
          .where(and(eq(operations.id, id), eq(operations.version, version)))
          .returning();
        if (!after) {
          const [current] = await tx.select().from(operations).where(eq(operations.id, id));
          throw stale(current);
        }
        await touch(tx, jobId, personOf(request));
        return after;
      });
    },
  );

  app.delete(
    '/api/operations/:id',
    { config: { access: 'editor' }, schema: { summary: 'Remove an operation', tags: ['route'] } },
    (request) => {
      const id = idOf(request);
      const person = personOf(request);
      return db.transaction(async (tx) => {
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
    },
  );

  app.put(
    '/api/jobs/:id/order',
    {
      config: { access: 'editor', body: routeOrderSchema },
      schema: { summary: 'Put setups and operations in a new order', tags: ['route'] },
    },
    (request) => {
      const jobId = idOf(request);
      const order = bodyOf<RouteOrder>(request);
      return db.transaction(async (tx) => {
        await openForEditing(tx, jobId);
        const { setups: now } = await jobDetail(tx, jobId);
        const known = (ids: readonly string[]): string => [...ids].sort().join();
        const sameSetups = known(order.setups.map((s) => s.id)) === known(now.map((s) => s.id));
        const sameOperations =
          known(order.setups.flatMap((s) => s.operations)) ===
          known(now.flatMap((s) => s.operations.map((o) => o.id)));
        if (!sameSetups || !sameOperations) throw stale({ setups: now });
        for (const [i, s] of order.setups.entries()) {
          await tx.update(setups).set({ position: i }).where(eq(setups.id, s.id));
          for (const [j, operationId] of s.operations.entries()) {
            await tx
              .update(operations)
              .set({ setupId: s.id, position: j })
              .where(eq(operations.id, operationId));
          }
        }
        await record(tx, personOf(request), { action: 'changed order', jobId, subject: 'route' });
        await touch(tx, jobId, personOf(request));
        return jobDetail(tx, jobId);
      });
    },
  );

  app.post(
    '/api/operations/:id/variants',
    {
      config: { access: 'editor' },
      schema: { summary: 'Copy the chosen variant under the next letter', tags: ['route'] },
    },
    async (request, reply) => {
      const id = idOf(request);
      const person = personOf(request);
      const made = await db.transaction(async (tx) => {
        const jobId = await jobOfOperation(tx, id);
        await openForEditing(tx, jobId);
        const [op] = await tx.select().from(operations).where(eq(operations.id, id));
        const existing = await tx.select().from(variants).where(eq(variants.operationId, id));
        const label = VARIANT_LABELS.find((l) => !existing.some((v) => v.label === l));
        if (!label)
          throw invalid([{ field: 'variants', value: existing.length, allowed: 'up to 4: A to D' }]);
        const from = existing.find((v) => v.label === op!.selected) ?? existing[0]!;
        const [variant] = await tx
          .insert(variants)
          .values({ operationId: id, label, document: from.document, updatedBy: person.name })
          .returning();
        await touch(tx, jobId, person);
        return variant!;
      });
      return reply.status(201).send(made);
    },
  );

  app.put(
    '/api/variants/:id',
    {
      config: { access: 'editor', body: variantUpdateSchema },
      schema: { summary: 'Save the numbers of a variant', tags: ['route'] },
    },
    (request) => {
      const { document, version } = bodyOf<VariantUpdate>(request);
      const id = idOf(request);
      const person = personOf(request);
      return db.transaction(async (tx) => {
        const { jobId } = await operationOfVariant(tx, id);
        const job = await openForEditing(tx, jobId);
        const [before] = await tx.select().from(variants).where(eq(variants.id, id)).for('update');
        if (before!.version !== version) throw stale(before);
        await requirePossible(tx, document, job.quantity);
        const [after] = await tx
          .update(variants)
          .set({ document, version: version + 1, updatedAt: new Date(), updatedBy: person.name })
          .where(eq(variants.id, id))
          .returning();
        await touch(tx, jobId, person);
        return after;
      });
    },
  );

  app.delete(
    '/api/variants/:id',
    {
      config: { access: 'editor' },
      schema: { summary: 'Remove a variant that is not chosen', tags: ['route'] },
    },
    (request) => {
      const id = idOf(request);
      return db.transaction(async (tx) => {
        const { operationId, jobId } = await operationOfVariant(tx, id);
        await openForEditing(tx, jobId);
        const [op] = await tx.select().from(operations).where(eq(operations.id, operationId));
        const [variant] = await tx.select().from(variants).where(eq(variants.id, id));
        if (variant!.label === op!.selected)
          throw new HttpProblem(409, 'in-use', 'The chosen variant stays: choose another first.');
        await tx.delete(variants).where(eq(variants.id, id));
        return { removed: id };
      });
    },
  );

  app.put(
    '/api/operations/:id/presence',
    {
      config: { access: 'person' },
      schema: { summary: 'Report presence, list other editors', tags: ['route'] },
    },
    async (request) => {
      const operationId = idOf(request);
      const person = personOf(request);
      await jobOfOperation(db, operationId);
      await db
        .insert(presence)
        .values({ operationId, personId: person.id })
        .onConflictDoUpdate({
          target: [presence.operationId, presence.personId],
          set: { seenAt: new Date() },
        });
      const others = await db
        .select({ name: people.name })
        .from(presence)
        .innerJoin(people, eq(people.id, presence.personId))
        .where(
          and(
            eq(presence.operationId, operationId),
            ne(presence.personId, person.id),
            gt(presence.seenAt, sql`now() - interval '30 seconds'`),
          ),
        );
      return { others: others.map((o) => o.name) };
    },
  );
}
