import {
  JOB_STATUSES,
  type JobQuestion,
  type JobStatus,
  type JobSummary,
  MOST_LISTED,
  type OperationFound,
} from '@burl/contract';
import { and, asc, count, desc, eq, isNotNull, isNull, ne, or, type SQL, sql } from 'drizzle-orm';
import type { Database } from './client.ts';
import { databaseCode } from './database-error.ts';
import { jobOf } from './job-store.ts';
import { alloys, machines } from './schema/crib.ts';
import { jobs, jobSummaries, operations, setups } from './schema/jobs.ts';

type JobRow = typeof jobs.$inferSelect;

/** Jobs whose summary is missing, no longer holds, or was worked out by another physics; those that wait longest first. */
export const staleJobs = async (
  db: Database,
  physics: string,
  most: number,
): Promise<{ row: JobRow; since: Date | null }[]> =>
  db
    .select({ row: jobs, since: jobSummaries.staleSince })
    .from(jobs)
    .leftJoin(jobSummaries, eq(jobSummaries.jobId, jobs.id))
    .where(
      or(isNull(jobSummaries.jobId), isNotNull(jobSummaries.staleSince), ne(jobSummaries.physics, physics)),
    )
    .orderBy(sql`${jobSummaries.staleSince} asc nulls last`, asc(jobs.updatedAt))
    .limit(most);

/** Keeps a summary; what changed while it was worked out stays marked, and what was removed is nobody's any more. */
export async function keepSummary(
  db: Database,
  jobId: string,
  physics: string,
  since: Date | null,
  { operations, minutes, governing }: Pick<JobSummary, 'operations' | 'minutes' | 'governing'>,
): Promise<void> {
  const values = { physics, operations, minutes, governing };
  try {
    await db
      .insert(jobSummaries)
      .values({ jobId, staleSince: null, ...values })
      .onConflictDoUpdate({
        target: jobSummaries.jobId,
        set: {
          ...values,
          staleSince: sql`case when ${jobSummaries.staleSince} is not distinct from ${since?.toISOString() ?? null}::timestamptz then null else ${jobSummaries.staleSince} end`,
        },
      });
  } catch (error) {
    if (databaseCode(error) !== '23503') throw error;
  }
}

/** What a job is found by, in small letters; written as its index is. */
const FOUND_BY = sql`lower(${jobs.number} || ' ' || ${jobs.part} || ' ' || ${jobs.customer} || ' ' || ${jobs.heatLot})`;

/** Every word has to be in it somewhere. */
function matching({ search = '', status }: JobQuestion): SQL | undefined {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean).slice(0, MOST_WORDS);
  return and(
    status === undefined ? undefined : eq(jobs.status, status),
    ...words.map((w) => sql`${FOUND_BY} like ${`%${w.replace(/[\\%_]/g, '\\$&')}%`}`),
  );
}
const MOST_WORDS = 8;

/** Jobs as a list shows them, the last changed first. One that is gone has none after it. */
export async function summariesOf(
  db: Database,
  physics: string,
  question: JobQuestion,
): Promise<JobSummary[]> {
  const { before, most = MOST_LISTED } = question;
  const after =
    before === undefined
      ? undefined
      : sql`(${jobs.updatedAt}, ${jobs.id}) < (select b.updated_at, b.id from jobs b where b.id = ${before})`;
  const rows = await db
    .select({
      job: jobs,
      summary: jobSummaries,
      alloy: sql<string>`${alloys.document}->>'name'`,
      machine: sql<string>`${machines.document}->>'name'`,
    })
    .from(jobs)
    .innerJoin(alloys, eq(alloys.id, jobs.alloyId))
    .innerJoin(machines, eq(machines.id, jobs.machineId))
    .leftJoin(jobSummaries, eq(jobSummaries.jobId, jobs.id))
    .where(and(matching(question), after))
    .orderBy(desc(jobs.updatedAt), desc(jobs.id))
    .limit(most);
  return rows.map(({ job, summary, alloy, machine }) => ({
    ...jobOf(job),
    alloy,
    machine,
    operations: summary?.operations ?? 0,
    minutes: summary?.minutes ?? 0,
    governing: summary?.governing ?? null,
    pending: summary === null || summary.staleSince !== null || summary.physics !== physics,
  }));
}

/** Operations in whose name every word is found, those of the job changed last first. */
export async function operationsFound(db: Database, search: string, most: number): Promise<OperationFound[]> {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean).slice(0, MOST_WORDS);
  if (words.length === 0) return [];
  return db
    .select({
      id: operations.id,
      name: operations.name,
      jobId: jobs.id,
      jobNumber: jobs.number,
      part: jobs.part,
    })
    .from(operations)
    .innerJoin(setups, eq(setups.id, operations.setupId))
    .innerJoin(jobs, eq(jobs.id, setups.jobId))
    .where(
      and(
        ...words.map(
          (w) =>
            sql`lower(${operations.name} || ' ' || ${jobs.number}) like ${`%${w.replace(/[\\%_]/g, '\\$&')}%`}`,
        ),
      ),
    )
    .orderBy(desc(jobs.updatedAt), asc(operations.id))
    .limit(most);
}

/** How many jobs of each status there are. */
export async function countsOf(db: Database, question: JobQuestion): Promise<Record<JobStatus, number>> {
  const rows = await db
    .select({ status: jobs.status, n: count() })
    .from(jobs)
    .where(matching(question))
    .groupBy(jobs.status);
  return Object.fromEntries(JOB_STATUSES.map((s) => [s, rows.find((r) => r.status === s)?.n ?? 0])) as Record<
    JobStatus,
    number
  >;
}
