import type { Finding, Person } from '@burl/contract';
import { and, desc, eq, isNull, sql } from 'drizzle-orm';
import { record } from './audit.ts';
import type { Database, Transaction } from './client.ts';
import { present, Refusal } from './refusal.ts';
import { findings } from './schema/floor.ts';
import { jobs } from './schema/jobs.ts';

type Row = typeof findings.$inferSelect;

const findingOf = (row: Row, jobNumber: string, hasPhoto: boolean): Finding => ({
  ...row,
  jobNumber,
  hasPhoto,
  at: row.at.toISOString(),
  answeredAt: row.answeredAt?.toISOString() ?? null,
});

const photographed = sql<boolean>`exists (select 1 from floor_files f where f.of_id = ${findings.sourceId} and f.slot = 'photo')`;

const MOST = 200;

/** Findings nobody has answered, newest first; or all of one job. */
export async function findingsOf(db: Database | Transaction, jobId?: string): Promise<Finding[]> {
  const rows = await db
    .select({ finding: findings, number: jobs.number, photographed })
    .from(findings)
    .innerJoin(jobs, eq(jobs.id, findings.jobId))
    .where(jobId ? eq(findings.jobId, jobId) : isNull(findings.answeredAt))
    .orderBy(desc(findings.at))
    .limit(MOST);
  return rows.map((r) => findingOf(r.finding, r.number, r.photographed));
}

/** Puts a finding before the engineers. One from the same step or trial is kept once. */
export async function find(
  tx: Transaction,
  found: Omit<typeof findings.$inferInsert, 'id' | 'answer' | 'answeredBy' | 'answeredAt'>,
): Promise<void> {
  await tx.insert(findings).values(found).onConflictDoNothing();
}

/** Answers what still waits of a trial or step whose entry no longer stands. */
export async function settleFindings(
  tx: Transaction,
  person: Person,
  sourceId: string,
  answer: string,
): Promise<void> {
  await tx
    .update(findings)
    .set({ answer, answeredBy: person.name, answeredAt: new Date() })
    .where(and(eq(findings.sourceId, sourceId), isNull(findings.answeredAt)));
}

/** Answers a finding. Refuses when somebody has. */
export const answerFinding = (db: Database, person: Person, id: string, answer: string): Promise<Finding> =>
  db.transaction(async (tx) => {
    const [row] = await tx.select().from(findings).where(eq(findings.id, id)).for('update');
    const found = present(row, 'This finding');
    if (found.answeredAt) throw new Refusal('state', `${found.answeredBy} has answered this already.`);
    const [changed] = await tx
      .update(findings)
      .set({ answer, answeredBy: person.name, answeredAt: new Date() })
      .where(eq(findings.id, id))
      .returning();
    await record(tx, person, {
      action: 'answered finding',
      jobId: found.jobId,
      subject: found.operation,
      detail: { finding: found.text, answer },
    });
    const [of] = await tx
      .select({ number: jobs.number, photographed })
      .from(findings)
      .innerJoin(jobs, eq(jobs.id, findings.jobId))
      .where(eq(findings.id, id));
    return findingOf(changed!, of!.number, of!.photographed);
  });
