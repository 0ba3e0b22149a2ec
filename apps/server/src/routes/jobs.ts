import {
  type JobFields,
  jobFieldsSchema,
  type JobSummary,
  jobUpdateSchema,
  revisionSchema,
} from '@burl/contract';
import { InputError } from '@burl/core';
import { desc, eq } from 'drizzle-orm';
import type { FastifyInstance } from 'fastify';
import type { Database, Transaction } from '../db/client.ts';
import { alloys, auditEvents, jobs, machines, setups } from '../db/schema.ts';
import { bodyOf, idOf, personOf } from '../http/plugin.ts';
import { HttpProblem, notFound, stale } from '../http/problems.ts';
import { record } from '../jobs/audit.ts';
import { wholeCrib } from '../jobs/crib-store.ts';
import { jobDetail, jobOf, openForEditing, routesOf } from '../jobs/job-store.ts';
import { summaryOf } from '../jobs/job-summary.ts';

async function requireKnown(tx: Transaction, fields: JobFields): Promise<void> {
  const [alloy] = await tx.select({ id: alloys.id }).from(alloys).where(eq(alloys.id, fields.alloyId));
  if (!alloy)
    throw new InputError([{ field: 'alloyId', value: fields.alloyId, allowed: 'an alloy of the crib' }]);
  const [machine] = await tx
    .select({ id: machines.id })
    .from(machines)
    .where(eq(machines.id, fields.machineId));
  if (!machine)
    throw new InputError([{ field: 'machineId', value: fields.machineId, allowed: 'a machine of the crib' }]);
}

export function jobRoutes(app: FastifyInstance, db: Database): void {
  app.get(
    '/api/jobs',
    {
      config: { access: 'person' },
      schema: { summary: 'All jobs, each with what governs it', tags: ['jobs'] },
    },
    async (): Promise<JobSummary[]> => {
      const rows = await db.select().from(jobs).orderBy(desc(jobs.updatedAt));
      const [crib, routes] = await Promise.all([
        wholeCrib(db),
        routesOf(
          db,
          rows.map((r) => r.id),
        ),
      ]);
      return rows.map((row) => summaryOf(jobOf(row), routes.get(row.id) ?? [], crib));
    },
  );

  app.post(
    '/api/jobs',
    {
      config: { access: 'editor', body: jobFieldsSchema },
      schema: { summary: 'New job with a first setup', tags: ['jobs'] },
    },
    async (request, reply) => {
      const fields = bodyOf<JobFields>(request);
      const person = personOf(request);
      const detail = await db.transaction(async (tx) => {
        await requireKnown(tx, fields);
        const [job] = await tx
          .insert(jobs)
          .values({ ...fields, updatedBy: person.name })
          .returning();
        await tx.insert(setups).values({ jobId: job!.id, name: 'Setup 1', position: 0 });
        await record(tx, person, {
          action: 'made job',
          jobId: job!.id,
          subject: fields.number,
          detail: fields,
        });
        return jobDetail(tx, job!.id);
      });
      return reply.status(201).send(detail);
    },
  );

  app.get(
    '/api/jobs/:id',
    { config: { access: 'person' }, schema: { summary: 'A job with its route', tags: ['jobs'] } },
    (request) => jobDetail(db, idOf(request)),
  );

  app.put(
    '/api/jobs/:id',
    {
      config: { access: 'editor', body: jobUpdateSchema },
      schema: { summary: 'Update a job', tags: ['jobs'] },
    },
    (request) => {
      const { version, ...fields } = bodyOf<JobFields & { version: number }>(request);
      const id = idOf(request);
      const person = personOf(request);
      return db.transaction(async (tx) => {
        const before = await openForEditing(tx, id);
        if (before.version !== version) throw stale(jobOf(before));
        await requireKnown(tx, fields);
        const [after] = await tx
          .update(jobs)
          .set({ ...fields, version: version + 1, updatedAt: new Date(), updatedBy: person.name })
          .where(eq(jobs.id, id))
          .returning();
        await record(tx, person, {
          action: 'changed job',
          jobId: id,
          subject: fields.number,
          detail: fields,
        });
        return jobOf(after!);
      });
    },
  );

  app.delete(
    '/api/jobs/:id',
    {
      config: { access: 'editor' },
      schema: { summary: 'Remove a job that was never released', tags: ['jobs'] },
    },
    async (request) => {
      const id = idOf(request);
      await db.transaction(async (tx) => {
        const row = await openForEditing(tx, id);
        if (row.revision > 1) throw new HttpProblem(409, 'in-use', 'A job that was released is kept.');
        await record(tx, personOf(request), { action: 'removed job', jobId: id, subject: row.number });
        await tx.delete(jobs).where(eq(jobs.id, id));
      });
      return { removed: id };
    },
  );

  app.post(
    '/api/jobs/:id/revisions',
    {
      config: { access: 'editor', body: revisionSchema },
      schema: { summary: 'Open the next revision of a released job', tags: ['jobs'] },
    },
    (request) => {
      const { reason } = bodyOf<{ reason: string }>(request);
      const id = idOf(request);
      const person = personOf(request);
      return db.transaction(async (tx) => {
        const [row] = await tx.select().from(jobs).where(eq(jobs.id, id)).for('update');
        if (!row) throw notFound('This job');
        if (row.status !== 'released')
          throw new HttpProblem(409, 'state', 'Only a released job gets a next revision.');
        const [after] = await tx
          .update(jobs)
          .set({
            status: 'draft',
            revision: row.revision + 1,
            revisionReason: reason,
            version: row.version + 1,
            updatedAt: new Date(),
            updatedBy: person.name,
          })
          .where(eq(jobs.id, id))
          .returning();
        await record(tx, person, {
          action: 'opened revision',
          jobId: id,
          subject: `${row.number} rev ${row.revision + 1}`,
          detail: { reason },
        });
        return jobOf(after!);
      });
    },
  );

  app.get(
    '/api/jobs/:id/events',
    {
      config: { access: 'person' },
      schema: { summary: 'Who did what in this job, newest first', tags: ['jobs'] },
    },
    async (request) => {
      const rows = await db
        .select()
        .from(auditEvents)
        .where(eq(auditEvents.jobId, idOf(request)))
        .orderBy(desc(auditEvents.id))
        .limit(200);
      return rows.map((r) => ({
        id: r.id,
        at: r.at.toISOString(),
        person: r.personName,
        action: r.action,
        subject: r.subject,
        detail: r.detail,
      }));
    },
  );
}
