import { type JobQuestion, JOBS, jobQuestionSchema } from '@burl/contract';
import type { FastifyInstance, FastifyRequest } from 'fastify';
import { checked, serve } from '../http/serve.ts';
import type { Database } from '../store/client.ts';
import { changeJob, createJob, eventsOf, openRevision, removeJob } from '../store/job-changes.ts';
import { jobDetail } from '../store/job-store.ts';
import type { JobList } from '../work/job-list.ts';
import { orderRoute } from '../store/setup-changes.ts';

/** What is asked for behind the address. Throws 400 with what is allowed there. */
export const questionOf = (request: FastifyRequest): Promise<JobQuestion> =>
  checked(jobQuestionSchema, request.query, { strict: false });

/** Jobs and their revisions. */
export function jobRoutes(app: FastifyInstance, db: Database, { of, desk }: JobList): void {
  serve(app, JOBS.all, async ({ request }) => of(await questionOf(request)));
  serve(app, JOBS.desk, async ({ request }) => desk({ search: (await questionOf(request)).search }));
  serve(app, JOBS.create, ({ person, body }) => createJob(db, person, { ...body, due: body.due ?? null }));
  serve(app, JOBS.one, ({ at }) => jobDetail(db, at.id));
  serve(app, JOBS.change, ({ at, person, body }) => changeJob(db, person, at.id, body));
  serve(app, JOBS.remove, async ({ at, person }) => {
    await removeJob(db, person, at.id);
    return { removed: at.id };
  });
  serve(app, JOBS.revise, ({ at, person, body }) => openRevision(db, person, at.id, body.reason));
  serve(app, JOBS.events, ({ at }) => eventsOf(db, at.id));
  serve(app, JOBS.order, ({ at, person, body }) => orderRoute(db, person, at.id, body));
}
