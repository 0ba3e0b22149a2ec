import type { JobSummary } from '@burl/contract';
import { and, asc, desc, eq, isNotNull, isNull, ne, or, sql } from 'drizzle-orm';
import type { Database } from './client.ts';
import { databaseCode } from './database-error.ts';
import { jobOf } from './job-store.ts';
import { jobs, jobSummaries } from './schema.ts';

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

/** All jobs as the list shows them, the last changed first. */
export async function summariesOfAll(db: Database, physics: string): Promise<JobSummary[]> {
  const rows = await db
    .select({ job: jobs, summary: jobSummaries })
    .from(jobs)
    .leftJoin(jobSummaries, and(eq(jobSummaries.jobId, jobs.id)))
    .orderBy(desc(jobs.updatedAt));
  return rows.map(({ job, summary }) => ({
    ...jobOf(job),
    operations: summary?.operations ?? 0,
    minutes: summary?.minutes ?? 0,
    governing: summary?.governing ?? null,
    pending: summary === null || summary.staleSince !== null || summary.physics !== physics,
  }));
}
