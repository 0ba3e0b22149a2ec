import {
  type Job,
  type JobDetail,
  type JobEvent,
  type JobFields,
  jobFieldsOf,
  type Person,
} from '@burl/contract';
import { EMPTY_JOB_PLAN } from '@burl/core';
import { desc, eq } from 'drizzle-orm';
import { changed, record } from './audit.ts';
import type { Database, Transaction } from './client.ts';
import { requireEntry } from './crib-store.ts';
import { jobDetail, jobOf, openForEditing } from './job-store.ts';
import { inUse, present, Refusal, stale } from './refusal.ts';
import { markStale } from './summary-stale.ts';
import { auditEvents } from './schema/trail.ts';
import { jobs, setups } from './schema/jobs.ts';

/** Events of a job that are handed out. */
const MOST_EVENTS = 200;

async function requireKnown(tx: Transaction, fields: JobFields): Promise<void> {
  await requireEntry(tx, 'alloys', 'alloyId', fields.alloyId, 'an alloy of the crib');
  await requireEntry(tx, 'machines', 'machineId', fields.machineId, 'a machine of the crib');
}

/** A new job with a first setup. Throws an InputError when it names what the crib has not. */
export const createJob = (db: Database, person: Person, fields: JobFields): Promise<JobDetail> =>
  db.transaction(async (tx) => {
    await requireKnown(tx, fields);
    const [job] = await tx
      .insert(jobs)
      .values({ ...fields, plan: fields.plan ?? EMPTY_JOB_PLAN, updatedBy: person.name })
      .returning();
    await tx.insert(setups).values({ jobId: job!.id, name: 'Setup 1', position: 0 });
    await record(tx, person, { action: 'made job', jobId: job!.id, subject: fields.number, detail: fields });
    return jobDetail(tx, job!.id);
  });

/** Throws what openForEditing throws, and a refusal when somebody saved in between. */
export const changeJob = (
  db: Database,
  person: Person,
  id: string,
  { version, ...fields }: JobFields & { readonly version: number },
): Promise<Job> =>
  db.transaction(async (tx) => {
    const before = await openForEditing(tx, id);
    if (before.version !== version) throw stale(jobOf(before));
    await requireKnown(tx, fields);
    const kept = { ...fields, plan: fields.plan ?? before.plan };
    const [after] = await tx
      .update(jobs)
      .set({ ...kept, version: version + 1, updatedAt: new Date(), updatedBy: person.name })
      .where(eq(jobs.id, id))
      .returning();
    await record(tx, person, {
      action: 'changed job',
      jobId: id,
      subject: fields.number,
      detail: changed(jobFieldsOf(before), kept),
    });
    await markStale(tx, id);
    return jobOf(after!);
  });

/** A job that was released once is kept. */
export const removeJob = (db: Database, person: Person, id: string): Promise<void> =>
  db.transaction(async (tx) => {
    const row = await openForEditing(tx, id);
    if (row.revision > 1) throw inUse('A job that was released is kept.');
    await record(tx, person, { action: 'removed job', jobId: id, subject: row.number });
    await tx.delete(jobs).where(eq(jobs.id, id));
  });

/** Opens the next revision of a released job. */
export const openRevision = (db: Database, person: Person, id: string, reason: string): Promise<Job> =>
  db.transaction(async (tx) => {
    const [found] = await tx.select().from(jobs).where(eq(jobs.id, id)).for('update');
    const row = present(found, 'This job');
    if (row.status !== 'released') throw new Refusal('state', 'Only a released job gets a next revision.');
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

/** Who did what in a job, newest first. */
export async function eventsOf(db: Database, jobId: string): Promise<JobEvent[]> {
  const rows = await db
    .select()
    .from(auditEvents)
    .where(eq(auditEvents.jobId, jobId))
    .orderBy(desc(auditEvents.id))
    .limit(MOST_EVENTS);
  return rows.map((r) => ({
    id: r.id,
    at: r.at.toISOString(),
    person: r.personName,
    action: r.action,
    subject: r.subject,
    detail: r.detail,
  }));
}
