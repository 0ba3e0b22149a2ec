import {
  type Decision,
  decisionSchema,
  RELEASE_CHECKS,
  type Release,
  releaseRequestSchema,
} from '@burl/contract';
import { and, eq } from 'drizzle-orm';
import type { FastifyInstance, FastifyRequest } from 'fastify';
import type { Database } from '../db/client.ts';
import { jobs, releases } from '../db/schema.ts';
import { bodyOf, idOf, personOf } from '../http/plugin.ts';
import { forbidden, HttpProblem, invalid, locked, notFound } from '../http/problems.ts';
import { record } from '../jobs/audit.ts';
import { openForEditing } from '../jobs/job-store.ts';
import { releaseById, releasesOf, snapshotOf } from '../jobs/release-store.ts';
import { sheetPdf } from '../sheet/sheet-pdf.ts';

async function sheetInForce(db: Database, jobId: string): Promise<Release> {
  const found = (await releasesOf(db, jobId)).find((r) => r.state === 'released');
  if (!found) throw notFound('A released sheet for this job');
  return releaseById(db, found.id);
}

function sheetOptions(request: FastifyRequest): { paper: 'A4' | 'LETTER'; units: 'metric' | 'inch' } {
  const { paper = 'a4', units = 'metric' } = request.query as { paper?: string; units?: string };
  if (!/^(a4|letter)$/i.test(paper))
    throw invalid([{ field: 'paper', value: paper, allowed: 'a4 or letter' }], 400);
  if (units !== 'metric' && units !== 'inch')
    throw invalid([{ field: 'units', value: units, allowed: 'metric or inch' }], 400);
  return { paper: paper.toLowerCase() === 'a4' ? 'A4' : 'LETTER', units };
}

export function releaseRoutes(app: FastifyInstance, db: Database): void {
  app.get(
    '/api/jobs/:id/releases',
    {
      config: { access: 'person' },
      schema: { summary: 'Releases of a job, newest first', tags: ['release'] },
    },
    (request) => releasesOf(db, idOf(request)),
  );

  app.get(
    '/api/releases/:id',
    {
      config: { access: 'person' },
      schema: { summary: 'One release with evidence and differences', tags: ['release'] },
    },
    (request) => releaseById(db, idOf(request)),
  );

  app.get(
    '/api/jobs/:id/sheet',
    { config: { access: 'person' }, schema: { summary: 'The sheet in force', tags: ['release'] } },
    (request) => sheetInForce(db, idOf(request)),
  );

  app.get(
    '/api/releases/:id/sheet.pdf',
    {
      config: { access: 'person' },
      schema: { summary: 'The sheet as PDF: ?paper=a4|letter&units=metric|inch', tags: ['release'] },
    },
    async (request, reply) => {
      const options = sheetOptions(request);
      const release = await releaseById(db, idOf(request));
      if (release.state !== 'released' && release.state !== 'superseded') {
        throw new HttpProblem(409, 'state', 'Only a released sheet is printed.');
      }
      const pdf = await sheetPdf(release, options);
      const name = `${release.snapshot.job.number.replace(/[^\w.-]+/g, '-')}-rev${release.revision}.pdf`;
      return reply
        .type('application/pdf')
        .header('content-disposition', `inline; filename="${name}"`)
        .send(pdf);
    },
  );

  app.post(
    '/api/jobs/:id/release-requests',
    {
      config: { access: 'editor', body: releaseRequestSchema },
      schema: { summary: 'Request release', tags: ['release'] },
    },
    async (request, reply) => {
      const jobId = idOf(request);
      const person = personOf(request);
      const { note } = bodyOf<{ note: string }>(request);
      const id = await db.transaction(async (tx) => {
        const job = await openForEditing(tx, jobId);
        const snapshot = await snapshotOf(tx, jobId);
        const over = snapshot.operations.filter((o) => o.evaluation.state === 'over');
        if (over.length > 0 && note.trim().length < 10) {
          throw invalid([
            {
              field: 'note',
              value: note,
              allowed: `10 characters or more: say why ${over.map((o) => o.name).join(', ')} may go out with a limit over`,
            },
          ]);
        }
        const [made] = await tx
          .insert(releases)
          .values({
            jobId,
            revision: job.revision,
            revisionReason: job.revisionReason,
            state: 'requested',
            requestedById: person.id,
            requestNote: note,
            snapshot,
          })
          .returning({ id: releases.id });
        await tx
          .update(jobs)
          .set({ status: 'requested', updatedAt: new Date(), updatedBy: person.name })
          .where(eq(jobs.id, jobId));
        await record(tx, person, {
          action: 'asked for release',
          jobId,
          subject: `${job.number} rev ${job.revision}`,
          detail: { note },
        });
        return made!.id;
      });
      return reply.status(201).send(await releaseById(db, id));
    },
  );

  app.post(
    '/api/releases/:id/withdrawal',
    { config: { access: 'editor' }, schema: { summary: 'Withdraw a request', tags: ['release'] } },
    async (request) => {
      const id = idOf(request);
      const person = personOf(request);
      await db.transaction(async (tx) => {
        const [row] = await tx.select().from(releases).where(eq(releases.id, id)).for('update');
        if (!row) throw notFound('This request');
        if (row.state !== 'requested') throw locked('This request was decided already.');
        await tx
          .update(releases)
          .set({ state: 'withdrawn', decidedById: person.id, decidedAt: new Date() })
          .where(eq(releases.id, id));
        await tx
          .update(jobs)
          .set({ status: 'draft', updatedAt: new Date(), updatedBy: person.name })
          .where(eq(jobs.id, row.jobId));
        await record(tx, person, {
          action: 'withdrew request',
          jobId: row.jobId,
          subject: `rev ${row.revision}`,
        });
      });
      return releaseById(db, id);
    },
  );

  app.post(
    '/api/releases/:id/decision',
    {
      config: { access: 'approver', body: decisionSchema },
      schema: { summary: 'Release, or return with a reason', tags: ['release'] },
    },
    async (request) => {
      const id = idOf(request);
      const person = personOf(request);
      const { decision, reason, checks } = bodyOf<Decision>(request);
      await db.transaction(async (tx) => {
        const [row] = await tx.select().from(releases).where(eq(releases.id, id)).for('update');
        if (!row) throw notFound('This request');
        if (row.state !== 'requested') throw locked('This request was decided already.');
        if (row.requestedById === person.id)
          throw forbidden('Nobody releases their own request: a second person has to.');
        const missing = RELEASE_CHECKS.filter((c) => !checks.includes(c.id));
        if (decision === 'release' && missing.length > 0) {
          throw invalid([
            {
              field: 'checks',
              value: checks.length,
              allowed: `all of: ${RELEASE_CHECKS.map((c) => c.id).join(', ')}`,
            },
          ]);
        }
        const decided = { decidedById: person.id, decidedAt: new Date(), reason };
        if (decision === 'release') {
          await tx
            .update(releases)
            .set({ state: 'superseded' })
            .where(and(eq(releases.jobId, row.jobId), eq(releases.state, 'released')));
          await tx
            .update(releases)
            .set({ ...decided, state: 'released' })
            .where(eq(releases.id, id));
        } else {
          await tx
            .update(releases)
            .set({ ...decided, state: 'returned' })
            .where(eq(releases.id, id));
        }
        const status = decision === 'release' ? 'released' : 'draft';
        await tx
          .update(jobs)
          .set({ status, updatedAt: new Date(), updatedBy: person.name })
          .where(eq(jobs.id, row.jobId));
        await record(tx, person, {
          action: decision === 'release' ? 'released' : 'returned',
          jobId: row.jobId,
          subject: `rev ${row.revision}`,
          detail: { reason, checks },
        });
      });
      return releaseById(db, id);
    },
  );
}
