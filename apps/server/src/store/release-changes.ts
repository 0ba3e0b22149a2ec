import {
  type AtMachine,
  type Decision,
  type Person,
  releaseChecks,
  type Release,
  type ReleaseRequest,
  type ReleaseSnapshot,
} from '@burl/contract';
import { InputError } from '@burl/core';
import { and, eq, notInArray, sql } from 'drizzle-orm';
import { record } from './audit.ts';
import type { Database, Transaction } from './client.ts';
import { openForEditing, requireOpen } from './job-store.ts';
import { present, locked, Refusal } from './refusal.ts';
import {
  type JudgeForRelease,
  releaseById,
  type ReleaseCase,
  releaseCase,
  releasesOf,
  snapshotOf,
} from './release-store.ts';
import { auditEvents } from './schema/trail.ts';
import { jobs } from './schema/jobs.ts';
import { releases } from './schema/releases.ts';

/** Letters a note has at least when numbers go out with a limit over. */
const LEAST_NOTE = 10;

/** The sheet that holds for a job now. Refuses when nothing is released. */
export async function currentSheet(db: Database, jobId: string): Promise<Release> {
  const found = (await releasesOf(db, jobId)).find((r) => r.state === 'released');
  return releaseById(db, present(found, 'A released sheet for this job').id);
}

async function setStatus(
  tx: Transaction,
  jobId: string,
  status: 'draft' | 'requested' | 'released',
  person: Person,
): Promise<void> {
  await tx
    .update(jobs)
    .set({ status, updatedAt: new Date(), updatedBy: person.name })
    .where(eq(jobs.id, jobId));
}

/** How often a case is judged anew because somebody changed it meanwhile. */
const MOST_TRIES = 3;

/**
 * Keeps what the job says now for a second person to judge, and locks it. The judging may take long, so it is done before anything is
 * locked; what was judged is held against what stands there then, and judged again where it changed.
 */
export async function requestRelease(
  db: Database,
  judge: JudgeForRelease,
  person: Person,
  jobId: string,
  { note, atMachine }: ReleaseRequest,
): Promise<Release> {
  const [row] = await db.select().from(jobs).where(eq(jobs.id, jobId));
  requireOpen(present(row, 'This job'));
  for (let n = 0; n < MOST_TRIES; n++) {
    const before = await releaseCase(db, jobId);
    const there = atMachine ?? (await lastAtMachine(db, jobId));
    const id = await lockFor(db, person, jobId, note, before, await snapshotOf(before, judge, there));
    if (id !== null) return releaseById(db, id);
  }
  throw new Refusal(
    'state',
    'Somebody is changing this job or its tools. Ask again when they have finished.',
  );
}

/** What the last sheet said of programs and pockets: it holds until somebody enters another. */
async function lastAtMachine(db: Database, jobId: string): Promise<AtMachine[]> {
  const last = (await releasesOf(db, jobId)).find((r) => r.state === 'released' || r.state === 'superseded');
  if (!last) return [];
  const { snapshot } = await releaseById(db, last.id);
  return snapshot.operations.flatMap((o) => (o.atMachine ? [o.atMachine] : []));
}

/** Locks the job for a request; null when it is no longer what was judged. */
const lockFor = (
  db: Database,
  person: Person,
  jobId: string,
  note: string,
  judged: ReleaseCase,
  snapshot: ReleaseSnapshot,
): Promise<string | null> =>
  db.transaction(async (tx) => {
    const job = await openForEditing(tx, jobId);
    if (JSON.stringify(await releaseCase(tx, jobId)) !== JSON.stringify(judged)) return null;
    const over = snapshot.operations.filter((o) => o.evaluation.state === 'over');
    if (over.length > 0 && note.trim().length < LEAST_NOTE) {
      throw new InputError([
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
    await setStatus(tx, jobId, 'requested', person);
    await record(tx, person, {
      action: 'asked for release',
      jobId,
      subject: `${job.number} rev ${job.revision}`,
      detail: { note },
    });
    return made!.id;
  });

/** The request, locked for this transaction. Refuses when it is gone or decided. */
async function openRequest(tx: Transaction, id: string): Promise<typeof releases.$inferSelect> {
  const [found] = await tx.select().from(releases).where(eq(releases.id, id)).for('update');
  const row = present(found, 'This request');
  if (row.state !== 'requested') throw locked('This request was decided already.');
  return row;
}

export async function withdrawRequest(db: Database, person: Person, id: string): Promise<Release> {
  await db.transaction(async (tx) => {
    const row = await openRequest(tx, id);
    await tx
      .update(releases)
      .set({ state: 'withdrawn', decidedById: person.id, decidedAt: new Date() })
      .where(eq(releases.id, id));
    await setStatus(tx, row.jobId, 'draft', person);
    await record(tx, person, {
      action: 'withdrew request',
      jobId: row.jobId,
      subject: `rev ${row.revision}`,
    });
  });
  return releaseById(db, id);
}

/** What a person does with a job that is no change of what it says. */
const NO_EDIT = ['asked for release', 'withdrew request', 'released', 'returned', 'opened revision'];

/** Whether somebody changed what a job says since it was last released. */
async function hasEdited(tx: Transaction, jobId: string, person: Person): Promise<boolean> {
  const last = sql`coalesce((select max(id) from audit_events where job_id = ${jobId} and action = 'released'), 0)`;
  const [found] = await tx
    .select({ id: auditEvents.id })
    .from(auditEvents)
    .where(
      and(
        eq(auditEvents.jobId, jobId),
        eq(auditEvents.personId, person.id),
        notInArray(auditEvents.action, NO_EDIT),
        sql`${auditEvents.id} > ${last}`,
      ),
    )
    .limit(1);
  return found !== undefined;
}

/** Releases or returns what somebody else asked for. */
export async function decideRelease(
  db: Database,
  person: Person,
  id: string,
  { decision, reason, checks }: Decision,
): Promise<Release> {
  await db.transaction(async (tx) => {
    const row = await openRequest(tx, id);
    const released = decision === 'release';
    if (row.requestedById === person.id)
      throw new Refusal('forbidden', 'Nobody releases their own request: a second person has to.');
    if (released && (await hasEdited(tx, row.jobId, person)))
      throw new Refusal(
        'forbidden',
        'You changed this job since its last release: somebody who did not has to release it.',
      );
    const ticked = new Set(checks);
    const missing = released ? releaseChecks(row.snapshot).filter((c) => !ticked.has(c.id)) : [];
    if (missing.length > 0)
      throw new InputError([
        {
          field: 'checks',
          value: `without ${missing[0]!.text}${missing.length > 1 ? ` and ${missing.length - 1} more` : ''}`,
          allowed: 'a tick for every open limit, every caution and what is assumed',
        },
      ]);
    if (released) {
      await tx
        .update(releases)
        .set({ state: 'superseded' })
        .where(and(eq(releases.jobId, row.jobId), eq(releases.state, 'released')));
    }
    await tx
      .update(releases)
      .set({
        state: released ? 'released' : 'returned',
        decidedById: person.id,
        decidedAt: new Date(),
        reason,
      })
      .where(eq(releases.id, id));
    await setStatus(tx, row.jobId, released ? 'released' : 'draft', person);
    await record(tx, person, {
      action: released ? 'released' : 'returned',
      jobId: row.jobId,
      subject: `rev ${row.revision}`,
      detail: { reason, checks },
    });
  });
  return releaseById(db, id);
}
