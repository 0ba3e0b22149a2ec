import {
  type CribKind,
  type ImportReport,
  MOST_ROW_PROBLEMS,
  type Person,
  type RowProblem,
} from '@burl/contract';
import type { ReadEntry, ReadFile } from '@burl/contract/crib-files/read-crib-file';
import { inArray } from 'drizzle-orm';
import { changed, record } from './audit.ts';
import type { Database, Transaction } from './client.ts';
import { CRIB_TABLES } from './crib-store.ts';
import { putOnShelf } from './crib-shelf.ts';
import { foundBy } from './found-by.ts';
import type { alloys } from './schema.ts';
import { markStaleNaming } from './summary-stale.ts';

/** Rows one statement puts in. */
const AT_ONCE = 500;
/** Names a report lists of what it brings. */
const MOST_NAMES = 200;

const isNew = (e: ReadEntry): boolean => e.before === null;
const sameAsBefore = (e: ReadEntry, same: ReadFile['same']): boolean => same.has(e.document.id);

/** What a file that was read does, or would do. */
export function reportOf(file: ReadFile, saved: boolean): ImportReport {
  const names = (list: readonly ReadEntry[]): string[] =>
    list.slice(0, MOST_NAMES).map((e) => e.document.name);
  const added = file.entries.filter(isNew);
  const changedOnes = file.entries.filter((e) => !isNew(e) && !sameAsBefore(e, file.same));
  return {
    rows: file.rows,
    added: names(added),
    changed: names(changedOnes),
    counts: { added: added.length, changed: changedOnes.length },
    same: file.entries.length - added.length - changedOnes.length,
    problems: file.problems.slice(0, MOST_ROW_PROBLEMS),
    more: Math.max(0, file.problems.length - MOST_ROW_PROBLEMS),
    unread: file.unread,
    saved,
  };
}

const lostRow = (row: number): RowProblem => ({
  row,
  column: 'Id',
  value: 'changed meanwhile',
  allowed: 'what stood there when the file was read; import it again',
});

/** A row that is another than when the file was read. */
class Lost extends Error {
  readonly row: number;

  constructor(row: number) {
    super('changed meanwhile');
    this.row = row;
  }
}

/** Puts in what a file brings, whole or not at all: a row that somebody else changed meanwhile takes all back. */
export async function importEntries(
  db: Database,
  person: Person,
  kind: CribKind,
  file: ReadFile,
): Promise<ImportReport> {
  const table = CRIB_TABLES[kind] as typeof alloys;
  const fresh = file.entries.filter(isNew);
  const others = file.entries.filter((e) => !isNew(e) && !sameAsBefore(e, file.same));
  const write = async (tx: Transaction): Promise<void> => {
    for (let i = 0; i < fresh.length; i += AT_ONCE) {
      const some = fresh.slice(i, i + AT_ONCE);
      const made = await tx
        .insert(table)
        .values(
          some.map(({ document }) => ({
            id: document.id,
            origin: 'shop' as const,
            document: document as never,
            foundBy: foundBy(kind, document as never),
          })),
        )
        .onConflictDoNothing()
        .returning({ id: table.id });
      const put = new Set(made.map((m) => m.id));
      const lost = some.find((e) => !put.has(e.document.id));
      if (lost) throw new Lost(lost.row);
    }
    const ids = others.map((e) => e.document.id);
    const rows =
      ids.length > 0 ? await tx.select().from(table).where(inArray(table.id, ids)).for('update') : [];
    const now = new Map(rows.map((r) => [r.id, r]));
    for (const { document, before, row } of others) {
      const there = now.get(document.id);
      if (!there || there.version !== before!.version) throw new Lost(row);
      await tx
        .update(table)
        .set({
          document: document as never,
          foundBy: foundBy(kind, document as never),
          version: there.version + 1,
          updatedAt: new Date(),
        })
        .where(inArray(table.id, [document.id]));
      await record(tx, person, {
        action: 'changed crib entry',
        subject: `${kind}/${document.id}`,
        detail: { reason: 'from a file', ...changed(there.document, document) },
      });
      await markStaleNaming(tx, kind, document.id);
    }
    for (const { document, shelf } of file.entries)
      if (shelf) await putOnShelf(tx, person, document.id, { ...shelf, reason: 'from a file' });
    await record(tx, person, {
      action: 'imported crib entries',
      subject: kind,
      detail: {
        added: fresh.map((e) => e.document.id).slice(0, MOST_NAMES),
        counts: { added: fresh.length, changed: others.length },
      },
    });
  };
  try {
    await db.transaction(write);
  } catch (error) {
    if (!(error instanceof Lost)) throw error;
    return { ...reportOf(file, false), problems: [lostRow(error.row)] };
  }
  return reportOf(file, true);
}
