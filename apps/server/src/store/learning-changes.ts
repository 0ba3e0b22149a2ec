import type { Acceptance, FitQuestion, LearntRecord, Person, Proposal } from '@burl/contract';
import type { Alloy, LearntConstant } from '@burl/core';
import { and, eq, inArray, or, sql } from 'drizzle-orm';
import { record } from './audit.ts';
import type { Database, Transaction } from './client.ts';
import { cribNaming, entriesNamed } from './crib-store.ts';
import type { FitCase, OpenOperation } from './fit-case.ts';
import { documentsOf, judgedOperations } from './judged-operations.ts';
import { jobOf, routesOf } from './job-store.ts';
import { acceptedConstants, keyOf, learntRecords, recordOf } from './learnt-store.ts';
import { present, Refusal } from './refusal.ts';
import { jobs } from './schema/jobs.ts';
import { learnt } from './schema/learnt.ts';
import { trials } from './schema/floor.ts';
import { markStaleNaming } from './summary-stale.ts';
import { trialsWhere } from './trial-store.ts';

/** Jobs an accepted constant is held against at the most: those changed last. */
const MOST_JOBS = 200;

/** Operations of the jobs changed last that name an alloy, or run on one of these machines. */
async function openOperations(
  db: Database,
  alloyId: string,
  machineIds: readonly string[],
): Promise<OpenOperation[]> {
  const onMachine = machineIds.length
    ? sql` or v.document ->> 'machineId' in (${sql.join(
        machineIds.map((m) => sql`${m}`),
        sql`, `,
      )})`
    : sql``;
  const { rows } = await db.execute<{ id: string }>(sql`
    select j.id from jobs j where j.id in (
      select s.job_id from variants v join operations o on o.id = v.operation_id and o.selected = v.label
      join setups s on s.id = o.setup_id where v.document ->> 'alloyId' = ${alloyId}${onMachine})
    order by j.updated_at desc limit ${MOST_JOBS}`);
  const ids = rows.map((r) => r.id);
  if (ids.length === 0) return [];
  const found = (await db.select().from(jobs).where(inArray(jobs.id, ids))).map(jobOf);
  const routes = await routesOf(db, ids);
  const crib = await cribNaming(db, documentsOf([...routes.values()].flat()));
  return found.flatMap((job) =>
    judgedOperations(job, routes.get(job.id) ?? [], crib)
      .filter((o) => o.document.alloyId === alloyId || machineIds.includes(o.document.machineId))
      .map((o) => ({ ...o, jobId: job.id, jobNumber: job.number, heatLot: job.heatLot })),
  );
}

/** All that a fit looks at: its trials, the alloys they are of, the open jobs, what counts today. */
export async function fitCase(db: Database, question: FitQuestion): Promise<FitCase> {
  const { kind, alloyId, edgeFamily } = question;
  const [entry] = await entriesNamed(db, 'alloys', [alloyId]);
  const alloy = present(entry, `Alloy ${alloyId}`).document as Alloy;
  const ofAlloy = eq(trials.alloyId, alloyId);
  if (kind === 'life') {
    const found = await trialsWhere(db, and(ofAlloy, eq(trials.edgeFamily, edgeFamily))!);
    return {
      question,
      trials: found,
      alloy,
      alloys: [alloy],
      open: await openOperations(db, alloyId, []),
      accepted: await acceptedConstants(db),
    };
  }
  const read = sql`${trials.loadPercent} > 0`;
  const own = await trialsWhere(db, and(ofAlloy, read)!);
  const machineIds = [...new Set(own.map((t) => t.machineId))];
  const found = machineIds.length
    ? await trialsWhere(db, and(or(ofAlloy, inArray(trials.machineId, machineIds)), read)!)
    : own;
  const alloys = await entriesNamed(db, 'alloys', [...new Set(found.map((t) => t.alloyId))]);
  return {
    question,
    trials: found,
    alloy,
    alloys: alloys.map((a) => a.document as Alloy),
    open: await openOperations(db, alloyId, machineIds),
    accepted: await acceptedConstants(db),
  };
}

/** Works a proposal out, away from the requests. */
export type ProposeFrom = (of: FitCase) => Promise<Proposal>;

/** What trials propose. Refuses where there is nothing to fit. */
export async function proposal(db: Database, propose: ProposeFrom, question: FitQuestion): Promise<Proposal> {
  const of = await fitCase(db, question);
  const out = new Set(question.leftOut.map((l) => l.trial));
  const counted = of.trials.filter(
    (t) => !out.has(t.id) && (question.kind === 'load' ? (t.loadPercent ?? 0) > 0 : t.speedRatio !== null),
  );
  if (counted.length === 0)
    throw new Refusal(
      'state',
      question.kind === 'load'
        ? 'No load meter was read in this alloy yet.'
        : 'No edge of this family was logged in this alloy yet, or none with a life model.',
    );
  return propose(of);
}

async function markJobs(tx: Transaction, constant: LearntConstant): Promise<void> {
  if (constant.kind === 'drive') await markStaleNaming(tx, 'machines', constant.machineId);
  else await markStaleNaming(tx, 'alloys', constant.alloyId);
}

/**
 * Accepts what trials propose, worked out again: refused when it is no longer what was looked at. Every evaluation counts with it from
 * now on.
 */
export async function acceptProposal(
  db: Database,
  propose: ProposeFrom,
  person: Person,
  { stamp, note, ...question }: Acceptance,
): Promise<LearntRecord[]> {
  const made = await proposal(db, propose, question);
  if (made.stamp !== stamp)
    throw new Refusal('stale', 'Trials were logged or corrected meanwhile. Look at the new proposal.', made);
  await db.transaction(async (tx) => {
    for (const constant of made.constants) {
      await tx.insert(learnt).values({
        kind: constant.kind,
        key: keyOf(constant),
        constant,
        question,
        numbers: made.numbers,
        trials: made.trials.filter((t) => t.leftOut === null).map((t) => t.trial.id),
        note,
        acceptedBy: person.name,
      });
      await markJobs(tx, constant);
    }
    await record(tx, person, {
      action: 'accepted learnt constant',
      subject: question.alloyId,
      detail: { ...question, note, trials: made.trials.length },
    });
  });
  return learntRecords(db);
}

/** Takes a constant back: what was accepted before it, or the library, counts again. Refuses when somebody has. */
export const reverseLearnt = (
  db: Database,
  person: Person,
  id: string,
  reason: string,
): Promise<LearntRecord> =>
  db.transaction(async (tx) => {
    const [row] = await tx.select().from(learnt).where(eq(learnt.id, id)).for('update');
    const found = present(row, 'This constant');
    if (found.reversedAt) throw new Refusal('state', `${found.reversedBy} has taken this back already.`);
    const [changed] = await tx
      .update(learnt)
      .set({ reversedBy: person.name, reversedAt: new Date(), reverseReason: reason })
      .where(eq(learnt.id, id))
      .returning();
    await markJobs(tx, found.constant);
    await record(tx, person, {
      action: 'reversed learnt constant',
      subject: found.question.alloyId,
      detail: { kind: found.kind, key: found.key, reason },
    });
    return recordOf(changed!);
  });

/** Trials of an operation before one, oldest first: the edges that went before it. */
export const earlierTrials = async (db: Database, operationId: string, at: string) =>
  (
    await trialsWhere(db, and(eq(trials.operationId, operationId), sql`${trials.at} < ${at}::timestamptz`)!)
  ).reverse();

/** Alloys and edge families with trials, those with most first. */
export async function fittable(db: Database) {
  const { rows } = await db.execute<{ key: string; trials: string }>(
    sql`select key, trials from trial_sums where dimension = 'family' and trials > 0 order by trials desc, key limit 200`,
  );
  return rows.map(({ key, trials: n }) => {
    const [alloyId, edgeFamily] = key.split('\n') as [string, string];
    return { alloyId, edgeFamily, trials: Number(n) };
  });
}
