import { type OperationBack, operationBackSchema } from '@burl/contract';
import { asc, eq } from 'drizzle-orm';
import type { FastifyInstance } from 'fastify';
import type { Database, Transaction } from '../db/client.ts';
import { operations, variants } from '../db/schema.ts';
import { bodyOf, idOf, personOf } from '../http/plugin.ts';
import { invalid, notFound } from '../http/problems.ts';
import { record } from '../jobs/audit.ts';
import { wholeCrib } from '../jobs/crib-store.ts';
import { jobDetail, jobOfHole, jobOfSetup, openForEditing, touch } from '../jobs/job-store.ts';
import { problemsOfAll } from '../jobs/problems-of-all.ts';

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

export function putBackRoutes(app: FastifyInstance, db: Database): void {
  app.post(
    '/api/jobs/:id/operations/back',
    {
      config: { access: 'editor', body: operationBackSchema },
      schema: { summary: 'Put a removed operation back with all its variants', tags: ['route'] },
    },
    async (request, reply) => {
      const jobId = idOf(request);
      const person = personOf(request);
      const { place, variants: had, ...fields } = bodyOf<OperationBack>(request);
      const labels = had.map((v) => v.label);
      if (new Set(labels).size < labels.length || !labels.includes(fields.selected)) {
        throw invalid([
          {
            field: 'variants',
            value: labels.join(', '),
            allowed: 'each letter once, the chosen one among them',
          },
        ]);
      }
      const detail = await db.transaction(async (tx) => {
        const job = await openForEditing(tx, jobId);
        if ((await jobOfSetup(tx, fields.setupId)) !== jobId) throw notFound('This setup');
        if (fields.holeId !== null && (await jobOfHole(tx, fields.holeId)) !== jobId)
          throw notFound('This kind of hole');
        const problems = problemsOfAll(had, await wholeCrib(tx), job.quantity, 'variants');
        if (problems.length > 0) throw invalid(problems);
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
      return reply.status(201).send(detail);
    },
  );
}
