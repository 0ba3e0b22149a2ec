import type { Finding, Person } from '@burl/contract';
import { desc, eq, isNull } from 'drizzle-orm';
import { record } from './audit.ts';
import type { Database, Transaction } from './client.ts';
import { present, Refusal } from './refusal.ts';
import { findings, jobs } from './schema.ts';

type Row = typeof findings.$inferSelect;

const findingOf = (row: Row, jobNumber: string): Finding => ({
  ...row,
  jobNumber,
  at: row.at.toISOString(),
  answeredAt: row.answeredAt?.toISOString() ?? null,
});

const MOST = 200;

/** Findings nobody has answered, newest first; or all of one job. */
export async function findingsOf(db: Database | Transaction, jobId?: string): Promise<Finding[]> {
  const rows = await db
    .select({ finding: findings, number: jobs.number })
    .from(findings)
    .innerJoin(jobs, eq(jobs.id, findings.jobId))
    .where(jobId ? eq(findings.jobId, jobId) : isNull(findings.answeredAt))
    .orderBy(desc(findings.at))
    .limit(MOST);
  return rows.map((r) => findingOf(r.finding, r.number));
}

/** Puts a finding before the engineers. One from the same step or trial is kept once. */
export async function find(
  tx: Transaction,
  found: Omit<typeof findings.$inferInsert, 'id' | 'answer' | 'answeredBy' | 'answeredAt'>,
): Promise<void> {
  await tx.insert(findings).values(found).onConflictDoNothing();
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
    const [job] = await tx.select({ number: jobs.number }).from(jobs).where(eq(jobs.id, found.jobId));
    return findingOf(changed!, job!.number);
  });
