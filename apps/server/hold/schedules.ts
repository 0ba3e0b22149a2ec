import { type JobDetail, type Release, releaseChecks } from '@burl/contract';
import { and, eq, inArray, sql } from 'drizzle-orm';
import fc from 'fast-check';
import { type Caller, freshJob, type TestServer } from '../test/client.ts';
import { auditEvents } from '../src/store/schema/trail.ts';
import { jobs } from '../src/store/schema/jobs.ts';
import { releases } from '../src/store/schema/releases.ts';
import { jobDetail } from '../src/store/job-store.ts';
import { none, type Row } from './row.ts';

type Deed = 'edit' | 'request' | 'release' | 'return' | 'withdraw' | 'revise' | 'delete';
interface Step {
  readonly deed: Deed;
  readonly who: 'engineer' | 'approver';
}

/** What people may do to a job, up to three at the same moment, in an order nobody would think of. */
const schedule: fc.Arbitrary<readonly (readonly Step[])[]> = fc.array(
  fc.array(
    fc.record({
      deed: fc.oneof(
        { weight: 4, arbitrary: fc.constant<Deed>('edit') },
        { weight: 4, arbitrary: fc.constant<Deed>('request') },
        { weight: 4, arbitrary: fc.constant<Deed>('release') },
        { weight: 1, arbitrary: fc.constantFrom<Deed>('return', 'withdraw', 'revise', 'delete') },
      ),
      who: fc.oneof(
        { weight: 3, arbitrary: fc.constant<Step['who']>('engineer') },
        { weight: 1, arbitrary: fc.constant<Step['who']>('approver') },
      ),
    }),
    { minLength: 1, maxLength: 3 },
  ),
  { minLength: 4, maxLength: 7 },
);

/** Does one step on what its doer last saw. True when the server said it is done. */
async function take(
  { deed, who }: Step,
  { job, setups }: JobDetail,
  call: Record<Step['who'], Caller>,
  requests: readonly string[],
): Promise<boolean> {
  const variant = setups[0]!.operations[0]!.variants[0]!;
  const newest = requests[0] ?? '00000000-0000-4000-8000-000000000000';
  const decide = (body: object) => call.approver('POST', `/api/releases/${newest}/decision`, body);
  const doing = {
    edit: () => {
      const { id, document, version } = variant;
      const cut = { ...document.cut, speedRpm: document.cut.speedRpm - 1 };
      return call[who]('PUT', `/api/variants/${id}`, { document: { ...document, cut }, version });
    },
    request: () => call[who]('POST', `/api/jobs/${job.id}/release-requests`, { note: 'as discussed' }),
    release: async () => {
      const asked = await call.approver('GET', `/api/releases/${newest}`);
      const checks =
        asked.statusCode === 200 ? releaseChecks(asked.json<Release>().snapshot).map((c) => c.id) : [];
      return decide({ decision: 'release', reason: '', checks });
    },
    return: () => decide({ decision: 'return', reason: 'not yet', checks: [] }),
    withdraw: () => call[who]('POST', `/api/releases/${newest}/withdrawal`),
    revise: () => call[who]('POST', `/api/jobs/${job.id}/revisions`, { reason: 'the wall moved' }),
    delete: () => call[who]('DELETE', `/api/jobs/${job.id}`),
  }[deed];
  const { statusCode } = await doing();
  if (statusCode >= 500 && statusCode !== 503) throw new Error(`${deed}: ${statusCode}`);
  return statusCode < 300;
}

/** What is wrong with a job after all that, a sentence each. */
async function wrongWith(
  server: TestServer,
  jobId: string,
  acknowledged: number,
  before: number,
): Promise<string[]> {
  const { db } = server.connection;
  const wrong: string[] = [];
  const rows = await db
    .select()
    .from(releases)
    .where(and(eq(releases.jobId, jobId), inArray(releases.state, ['released', 'requested'])));
  for (const state of ['released', 'requested'] as const) {
    const n = rows.filter((r) => r.state === state).length;
    if (n > 1) wrong.push(`${n} releases are ${state}`);
  }
  const [there] = await db.select().from(jobs).where(eq(jobs.id, jobId));
  const inForce = rows.find((r) => r.state === there?.status && r.revision === there.revision);
  if (there && there.status !== 'draft') {
    const { setups } = await jobDetail(db, jobId);
    const now = setups.flatMap((s) =>
      s.operations.map((o) => o.variants.find((v) => v.label === o.selected)!.document),
    );
    const then = inForce?.snapshot.operations.map((o) => o.document);
    if (JSON.stringify(now) !== JSON.stringify(then))
      wrong.push(`what is ${there.status} is not what is locked`);
  }
  const [events] = await db
    .select({ n: sql<number>`count(*)::int` })
    .from(auditEvents)
    .where(eq(auditEvents.jobId, jobId));
  if (events!.n - before !== acknowledged) wrong.push(`${acknowledged} writes, ${events!.n - before} events`);
  return wrong;
}

/** Seeded schedules against one server: the same seed is the same schedule, whatever the race inside it. */
export async function holdSchedules(server: TestServer, count: number, seed = 1): Promise<Row[]> {
  const call = { engineer: await server.as('engineer'), approver: await server.as('approver') };
  const wrong: string[] = [];
  let [writes, given] = [0, 0];
  for (const [i, bursts] of fc.sample(schedule, { numRuns: count, seed }).entries()) {
    const made = await freshJob(call.engineer);
    const { id } = made.job;
    const { db } = server.connection;
    const eventsNow = async () =>
      (await db.select().from(auditEvents).where(eq(auditEvents.jobId, id))).length;
    const before = await eventsNow();
    let acknowledged = 0;
    for (const burst of bursts) {
      const seen = (await call.engineer('GET', `/api/jobs/${id}`)).json<JobDetail>();
      if (!('job' in seen)) break;
      const list = (await call.engineer('GET', `/api/jobs/${id}/releases`)).json<Release[]>();
      const done = await Promise.all(
        burst.map((step) =>
          take(
            step,
            seen,
            call,
            list.map((r) => r.id),
          ),
        ),
      );
      acknowledged += done.filter(Boolean).length;
      given += burst.filter((step, n) => step.deed === 'release' && done[n]).length;
    }
    wrong.push(...(await wrongWith(server, id, acknowledged, before)).map((w) => `schedule ${i}: ${w}`));
    writes += acknowledged;
    // The number is needed again.
    await db
      .update(jobs)
      .set({ number: `done-${i}` })
      .where(eq(jobs.id, id));
  }
  return [
    none(
      'seeded schedules of edit, request, decide, withdraw, revise, delete: two releases in force, another snapshot than what is locked, or not one event per write',
      wrong,
      `${count}; ${writes} writes, ${given} of them releases`,
    ),
  ];
}
