import { createHash } from 'node:crypto';
import { desc, eq, sql } from 'drizzle-orm';
import type { Transaction } from '../store/client.ts';
import { releaseById } from '../store/release-store.ts';
import { releases } from '../store/schema/releases.ts';
import { sheetPdf } from '../sheet/sheet-pdf.ts';
import { programHash } from '../work/program.ts';

/** What a database holds, written beside its backup, so that a restore can be held against it. */
export interface Manifest {
  readonly at: string;
  /** Draws the sheet: another program may draw it otherwise. */
  readonly program: string;
  /** Rows of each table. */
  readonly counts: Readonly<Record<string, number>>;
  /** The newest sheet in force; null while nothing is released. */
  readonly sheet: {
    readonly releaseId: string;
    readonly snapshotSha256: string;
    readonly pdfSha256: string;
  } | null;
}

const sha256 = (data: Buffer | string): string => createHash('sha256').update(data).digest('hex');

/** Signs somebody in, or slows somebody down: gone after a restore. */
export const PASSING = ['sessions', 'sign_in_limits', 'presence'] as const;

async function countsOf(tx: Transaction): Promise<Record<string, number>> {
  const { rows: tables } = await tx.execute<{ name: string }>(
    sql`select tablename::text as name from pg_tables where schemaname = 'public' order by 1`,
  );
  const counts: Record<string, number> = {};
  for (const { name } of tables.filter((t) => !(PASSING as readonly string[]).includes(t.name))) {
    const { rows } = await tx.execute<{ n: string }>(sql`select count(*) as n from ${sql.identifier(name)}`);
    counts[name] = Number(rows[0]!.n);
  }
  return counts;
}

async function sheetOf(tx: Transaction): Promise<Manifest['sheet']> {
  const [newest] = await tx
    .select({ id: releases.id, snapshot: sql<string>`${releases.snapshot}::text` })
    .from(releases)
    .where(eq(releases.state, 'released'))
    .orderBy(desc(releases.decidedAt), releases.id)
    .limit(1);
  if (!newest) return null;
  const pdf = await sheetPdf(await releaseById(tx, newest.id), { paper: 'A4', units: 'metric' });
  return { releaseId: newest.id, snapshotSha256: sha256(newest.snapshot), pdfSha256: sha256(pdf) };
}

/** Takes stock of what one transaction sees. */
export const takeStock = async (tx: Transaction): Promise<Manifest> => ({
  at: new Date().toISOString(),
  program: programHash(),
  counts: await countsOf(tx),
  sheet: await sheetOf(tx),
});

/** What a restored database lacks against what was backed up, a sentence each; empty when it holds the same. */
export function compareStock(backedUp: Manifest, restored: Manifest): string[] {
  const wrong: string[] = [];
  for (const name of new Set([...Object.keys(backedUp.counts), ...Object.keys(restored.counts)])) {
    const [before, after] = [backedUp.counts[name] ?? 0, restored.counts[name] ?? 0];
    if (before !== after) wrong.push(`${name} has ${after} rows; the backup was made of ${before}`);
  }
  const [before, after] = [backedUp.sheet, restored.sheet];
  if (before?.releaseId !== after?.releaseId) wrong.push('the newest sheet in force is another');
  else if (before?.snapshotSha256 !== after?.snapshotSha256)
    wrong.push('the released numbers of the newest sheet are others');
  else if (before?.pdfSha256 !== after?.pdfSha256 && backedUp.program === restored.program)
    wrong.push('the newest sheet prints otherwise');
  return wrong;
}
