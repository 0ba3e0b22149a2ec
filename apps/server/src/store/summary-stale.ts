import type { CribKind } from '@burl/contract';
import { sql, type SQL } from 'drizzle-orm';
import type { Transaction } from './client.ts';
import { jobSummaries } from './schema/jobs.ts';

/** Notes that a job changed. Milliseconds are all a moment keeps on its way through the server. */
export async function markStale(tx: Transaction, jobId: string): Promise<void> {
  await tx
    .insert(jobSummaries)
    .values({ jobId, staleSince: sql`date_trunc('milliseconds', clock_timestamp())` })
    .onConflictDoUpdate({
      target: jobSummaries.jobId,
      set: { staleSince: sql`date_trunc('milliseconds', clock_timestamp())` },
    });
}

/** Where a variant's document names an entry of each kind; written as its index is. */
const NAMED: Readonly<Record<CribKind, SQL>> = {
  alloys: sql`v.document ->> 'alloyId'`,
  machines: sql`v.document ->> 'machineId'`,
  cutters: sql`v.document -> 'tooling' ->> 'cutterId'`,
  holders: sql`v.document -> 'tooling' ->> 'holderId'`,
};

export const namedAt = (kind: CribKind): SQL => NAMED[kind];

/** Notes that every job which names an entry has changed with it. */
export async function markStaleNaming(tx: Transaction, kind: CribKind, id: string): Promise<void> {
  await tx.execute(sql`
    update job_summaries set stale_since = date_trunc('milliseconds', clock_timestamp())
    where job_id in (
      select s.job_id from variants v join operations o on o.id = v.operation_id join setups s on s.id = o.setup_id
      where ${NAMED[kind]} = ${id})`);
}

/** Notes that every job which runs a holder in a machine has changed: something was measured or heard there. */
export async function markStaleUsing(
  tx: Transaction,
  { machineId, holderId }: { readonly machineId: string; readonly holderId: string },
): Promise<void> {
  await tx.execute(sql`
    update job_summaries set stale_since = date_trunc('milliseconds', clock_timestamp())
    where job_id in (
      select s.job_id from variants v join operations o on o.id = v.operation_id join setups s on s.id = o.setup_id
      where ${NAMED.machines} = ${machineId} and ${NAMED.holders} = ${holderId})`);
}
