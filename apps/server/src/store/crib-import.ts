import type { CribKind, ImportReport, Person, RowProblem } from '@burl/contract';
import type { Known, ReadEntry, ReadFile } from '@burl/contract/crib-files/read-crib-file';
import { changedBy, isNew, reportOf } from '@burl/contract/crib-files/report';
import { and, eq, inArray, or, sql } from 'drizzle-orm';
import { changed, record } from './audit.ts';
import type { Database, Transaction } from './client.ts';
import { tableOf, stockOf } from './crib-store.ts';
import { putOnShelf } from './crib-shelf.ts';
import { foundBy } from './found-by.ts';
import { stock } from './schema/crib.ts';
import { markStaleNaming } from './summary-stale.ts';

/** Rows one statement puts in. */
const AT_ONCE = 500;

/** Entries of the crib that have these ids, or, of the shop's own, these names. */
export async function knownTo(
  db: Database,
  kind: CribKind,
  { ids, names }: { readonly ids: readonly string[]; readonly names: readonly string[] },
): Promise<Known[]> {
  const table = tableOf(kind);
  const { id, origin, version, document } = table;
  // One value each, however many there are: a list of parameters has an end.
  const among = (list: readonly string[]) =>
    sql`(select jsonb_array_elements_text(${JSON.stringify(list)}::jsonb))`;
  return db
    .select({ id, origin, version, document })
    .from(table)
    .where(
      or(
        sql`${id} in ${among(ids)}`,
        and(eq(origin, 'shop'), sql`${document} ->> 'name' in ${among(names)}`),
      ),
    );
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

/** Shelves as a file counts them: of new tools all at once, of others where the count is another. */
async function putOnShelves(tx: Transaction, person: Person, entries: readonly ReadEntry[]): Promise<void> {
  const counted = entries.flatMap(({ document, shelf, before }) =>
    shelf ? [{ id: document.id, shelf, before }] : [],
  );
  const fresh = counted.filter((c) => c.before === null);
  for (let i = 0; i < fresh.length; i += AT_ONCE)
    await tx
      .insert(stock)
      .values(fresh.slice(i, i + AT_ONCE).map(({ id, shelf }) => ({ cutterId: id, ...shelf })));
  const others = counted.filter((c) => c.before !== null);
  const there = new Map(
    (
      await stockOf(
        tx,
        others.map((o) => o.id),
      )
    ).map((s) => [s.cutterId, s]),
  );
  for (const { id, shelf } of others) {
    const now = there.get(id);
    if (now && now.edges === shelf.edges && now.place === shelf.place && now.price === shelf.price) continue;
    await putOnShelf(tx, person, id, { ...shelf, reason: 'from a file' });
  }
}

/** Puts in what a file brings, whole or not at all: a row that somebody else changed meanwhile takes all back. */
export async function importEntries(
  db: Database,
  person: Person,
  kind: CribKind,
  file: ReadFile,
): Promise<ImportReport> {
  const table = tableOf(kind);
  const fresh = file.entries.filter(isNew);
  const others = changedBy(file);
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
    await putOnShelves(tx, person, file.entries);
    await record(tx, person, {
      action: 'imported crib entries',
      subject: kind,
      detail: {
        added: fresh.map((e) => e.document.id),
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
