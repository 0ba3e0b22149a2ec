import {
  type Coating,
  InputError,
  type Operation,
  type OperationContext,
  type ResonanceBook,
  type Substrate,
  type ToolMaterials,
} from '@burl/core';
import {
  type Batch,
  bookOf,
  type Assembly,
  cribSource,
  requireContext,
  resolveContext,
  type ContextSource,
  type Crib,
  type CribDocuments,
  type CribEntry,
  type CribKind,
  type Stock,
} from '@burl/contract';
import { eq, inArray } from 'drizzle-orm';
import type { Database, Transaction } from './client.ts';
import { acceptedConstants } from './learnt-store.ts';
import { combinationsOf } from './combination-store.ts';
import { ratesOf } from './shop-rates.ts';
import { alloys, assemblies, cutters, holders, machines, stock, toolMaterials } from './schema/crib.ts';

const CRIB_TABLES = { alloys, machines, cutters, holders } as const;

/** The table of a kind. All four have the same columns, which the union of their types hides from the query builder. */
export const tableOf = (kind: CribKind): typeof alloys => CRIB_TABLES[kind] as typeof alloys;

type Row = {
  id: string;
  origin: 'built-in' | 'shop';
  copiedFrom: string | null;
  version: number;
  retiredAt: Date | null;
  document: unknown;
};

export const entryOf = <K extends CribKind>(row: Row): CribEntry<K> => ({
  id: row.id,
  origin: row.origin,
  copiedFrom: row.copiedFrom,
  version: row.version,
  retired: row.retiredAt !== null,
  document: row.document as CribDocuments[K],
});

/** All entries of a kind, by name. */
export async function entriesOf<K extends CribKind>(
  db: Database | Transaction,
  kind: K,
  origin?: 'built-in' | 'shop',
): Promise<CribEntry<K>[]> {
  const table = tableOf(kind);
  const all = db.select().from(table);
  const rows = await (origin ? all.where(eq(table.origin, origin)) : all);
  return rows.map((r) => entryOf<K>(r)).sort((a, b) => a.document.name.localeCompare(b.document.name, 'en'));
}

/** Entries of these ids, in no order. What the crib lacks is lacking here as well. */
export async function entriesNamed<K extends CribKind>(
  db: Database | Transaction,
  kind: K,
  ids: readonly string[],
): Promise<CribEntry<K>[]> {
  if (ids.length === 0) return [];
  const table = tableOf(kind);
  const rows = await db
    .select()
    .from(table)
    .where(inArray(table.id, [...new Set(ids)]));
  return rows.map((r) => entryOf<K>(r));
}

/** An entry somebody names. Throws an InputError at `field` where the crib has none of this id. */
export async function requireEntry<K extends CribKind>(
  db: Database | Transaction,
  kind: K,
  field: string,
  id: string,
  allowed = 'an entry of the crib',
): Promise<CribDocuments[K]> {
  const table = tableOf(kind);
  const [found] = await db.select({ document: table.document }).from(table).where(eq(table.id, id));
  if (!found) throw new InputError([{ field, value: id, allowed }]);
  return found.document as unknown as CribDocuments[K];
}

export async function toolMaterialsOf(db: Database | Transaction): Promise<ToolMaterials> {
  const rows = await db.select().from(toolMaterials);
  const pick = <T>(kind: 'substrate' | 'coating'): Record<string, T> =>
    Object.fromEntries(rows.filter((r) => r.kind === kind).map((r) => [r.id, r.document as T]));
  return { substrates: pick<Substrate>('substrate'), coatings: pick<Coating>('coating') };
}

/** A row of the shelf as it is told. */
export const stockOfRow = ({ updatedAt: _, ...rest }: typeof stock.$inferSelect): Stock => rest;

/** Cutters as they stand in their holders, by name. */
export async function assembliesOf(db: Database | Transaction): Promise<Assembly[]> {
  const rows = await db.select().from(assemblies).orderBy(assemblies.name);
  return rows.map(({ updatedAt: _, ...rest }) => rest);
}

/** Shelves that were counted; of some cutters, or of all. */
export async function stockOf(db: Database | Transaction, cutterIds?: readonly string[]): Promise<Stock[]> {
  const all = db.select().from(stock);
  const rows = await (cutterIds ? all.where(inArray(stock.cutterId, [...cutterIds])) : all);
  return rows.map(stockOfRow);
}

/**
 * The crib as far as these operations name it: enough to judge them, whatever else there is. What they name and the crib lacks is lacking
 * here as well.
 */
export async function cribNaming(
  db: Database | Transaction,
  operations: readonly Operation[],
): Promise<Crib> {
  const cutterIds = [...new Set(operations.map((op) => op.tooling.cutterId))];
  return {
    alloys: await entriesNamed(
      db,
      'alloys',
      operations.map((op) => op.alloyId),
    ),
    machines: await entriesNamed(
      db,
      'machines',
      operations.map((op) => op.machineId),
    ),
    cutters: await entriesNamed(
      db,
      'cutters',
      operations.map((op) => op.tooling.cutterId),
    ),
    holders: await entriesNamed(
      db,
      'holders',
      operations.map((op) => op.tooling.holderId),
    ),
    materials: await toolMaterialsOf(db),
    stock: await stockOf(db, cutterIds),
    assemblies: [],
    resonance: bookOf(await combinationsOf(db, { responses: false })),
    learnt: await acceptedConstants(db),
    rates: await ratesOf(db),
  };
}

/** The kinds of entries, which are many and seldom change. */
type Entries = Pick<Crib, CribKind>;
/** What lies beside them: a few lines that change all day. */
type Beside = Omit<Crib, CribKind>;

/** Entries of all kinds, or those of one origin. */
export async function allEntries(db: Database | Transaction, origin?: 'built-in' | 'shop'): Promise<Entries> {
  // One after the other: a transaction has a single connection.
  return {
    alloys: await entriesOf(db, 'alloys', origin),
    machines: await entriesOf(db, 'machines', origin),
    cutters: await entriesOf(db, 'cutters', origin),
    holders: await entriesOf(db, 'holders', origin),
  };
}

/** All that belongs to entries without being one. */
export const besideEntries = async (db: Database | Transaction): Promise<Beside> => ({
  materials: await toolMaterialsOf(db),
  stock: await stockOf(db),
  assemblies: await assembliesOf(db),
  resonance: bookOf(await combinationsOf(db, { responses: false })),
  learnt: await acceptedConstants(db),
  rates: await ratesOf(db),
});

/** The whole crib, or its entries of one origin with all that belongs to them. */
export const wholeCrib = async (db: Database | Transaction, origin?: 'built-in' | 'shop'): Promise<Crib> => ({
  ...(await allEntries(db, origin)),
  ...(await besideEntries(db)),
});

/** The four entries an operation names, and what tools are made of: all that checking one operation reads. */
async function sourceFor(db: Database | Transaction, op: Operation, batch: Batch): Promise<ContextSource> {
  const named = async <K extends CribKind>(kind: K, id: string): Promise<CribDocuments[K][]> =>
    (await entriesNamed(db, kind, [id])).map((e) => e.document);
  return {
    alloys: await named('alloys', op.alloyId),
    machines: await named('machines', op.machineId),
    cutters: await named('cutters', op.tooling.cutterId),
    holders: await named('holders', op.tooling.holderId),
    ...(await toolMaterialsOf(db)),
    ...batch,
  };
}

/**
 * Context in which the numbers of one operation are checked, without what was measured of its combination.
 * Throws an InputError naming the field when it names an unknown entry.
 */
export async function contextForCheck(
  db: Database | Transaction,
  op: Operation,
  batch: Batch,
): Promise<OperationContext> {
  const found = resolveContext(op, await sourceFor(db, op, batch));
  // Only an error has to tell what else is there.
  return 'context' in found ? found.context : contextInCrib(await wholeCrib(db), op, batch);
}

/** Context of an operation from the crib. Throws an InputError naming the field when it names an unknown entry. */
export function contextInCrib(crib: Crib, op: Operation, batch: Batch): OperationContext {
  const context = requireContext(op, cribSource(crib, batch));
  return { ...context, resonance: aboutHolder(crib.resonance, op.machineId, op.tooling.holderId) };
}

/** What is remembered of one holder in one machine: all that bears on an operation, and all a release keeps. */
const aboutHolder = (book: ResonanceBook, machineId: string, holderId: string): ResonanceBook => ({
  ...book,
  tips: book.tips.filter((t) => t.machineId === machineId && t.holderId === holderId),
  observations: book.observations.filter((o) => o.machineId === machineId && o.holderId === holderId),
});
