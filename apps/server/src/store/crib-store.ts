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
import { combinationsOf } from './combination-store.ts';
import { alloys, assemblies, cutters, holders, machines, stock, toolMaterials } from './schema.ts';

export const CRIB_TABLES = { alloys, machines, cutters, holders } as const;

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
  const table = CRIB_TABLES[kind] as typeof alloys;
  const all = db.select().from(table);
  const rows = await (origin ? all.where(eq(table.origin, origin)) : all);
  return rows.map((r) => entryOf<K>(r)).sort((a, b) => a.document.name.localeCompare(b.document.name, 'en'));
}

/** An entry somebody names. Throws an InputError at `field` where the crib has none of this id. */
export async function requireEntry<K extends CribKind>(
  db: Database | Transaction,
  kind: K,
  field: string,
  id: string,
  allowed = 'an entry of the crib',
): Promise<CribDocuments[K]> {
  const table = CRIB_TABLES[kind] as typeof alloys;
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
  const some = async <K extends CribKind>(
    kind: K,
    idOf: (op: Operation) => string,
  ): Promise<CribEntry<K>[]> => {
    const table = CRIB_TABLES[kind] as typeof alloys;
    const ids = [...new Set(operations.map(idOf))];
    if (ids.length === 0) return [];
    const rows = await db.select().from(table).where(inArray(table.id, ids));
    return rows.map((r) => entryOf<K>(r));
  };
  const cutterIds = [...new Set(operations.map((op) => op.tooling.cutterId))];
  return {
    alloys: await some('alloys', (op) => op.alloyId),
    machines: await some('machines', (op) => op.machineId),
    cutters: await some('cutters', (op) => op.tooling.cutterId),
    holders: await some('holders', (op) => op.tooling.holderId),
    materials: await toolMaterialsOf(db),
    stock: await stockOf(db, cutterIds),
    assemblies: [],
    resonance: bookOf(await combinationsOf(db, { responses: false })),
  };
}

/** The whole crib, or its entries of one origin with all that belongs to them. */
export async function wholeCrib(db: Database | Transaction, origin?: 'built-in' | 'shop'): Promise<Crib> {
  // One after the other: a transaction has a single connection.
  const a = await entriesOf(db, 'alloys', origin);
  const m = await entriesOf(db, 'machines', origin);
  const c = await entriesOf(db, 'cutters', origin);
  const h = await entriesOf(db, 'holders', origin);
  const materials = await toolMaterialsOf(db);
  return {
    alloys: a,
    machines: m,
    cutters: c,
    holders: h,
    materials,
    stock: await stockOf(db),
    assemblies: await assembliesOf(db),
    resonance: bookOf(await combinationsOf(db, { responses: false })),
  };
}

/** The four entries an operation names, and what tools are made of: all that checking one operation reads. */
async function sourceFor(
  db: Database | Transaction,
  op: Operation,
  quantity: number,
): Promise<ContextSource> {
  const named = async <K extends CribKind>(kind: K, id: string): Promise<CribDocuments[K][]> => {
    const table = CRIB_TABLES[kind] as typeof alloys;
    const rows = await db.select().from(table).where(eq(table.id, id));
    return rows.map((r) => entryOf<K>(r).document);
  };
  return {
    alloys: await named('alloys', op.alloyId),
    machines: await named('machines', op.machineId),
    cutters: await named('cutters', op.tooling.cutterId),
    holders: await named('holders', op.tooling.holderId),
    ...(await toolMaterialsOf(db)),
    quantity,
  };
}

/**
 * Context in which the numbers of one operation are checked, without what was measured of its combination.
 * Throws an InputError naming the field when it names an unknown entry.
 */
export async function contextForCheck(
  db: Database | Transaction,
  op: Operation,
  quantity: number,
): Promise<OperationContext> {
  const found = resolveContext(op, await sourceFor(db, op, quantity));
  // Only an error has to tell what else is there.
  return 'context' in found ? found.context : contextInCrib(await wholeCrib(db), op, quantity);
}

/** Context of an operation from the crib. Throws an InputError naming the field when it names an unknown entry. */
export function contextInCrib(crib: Crib, op: Operation, quantity: number): OperationContext {
  const context = requireContext(op, cribSource(crib, quantity));
  return { ...context, resonance: aboutHolder(crib.resonance, op.machineId, op.tooling.holderId) };
}

/** What is remembered of one holder in one machine: all that bears on an operation, and all a release keeps. */
const aboutHolder = (book: ResonanceBook, machineId: string, holderId: string): ResonanceBook => ({
  ...book,
  tips: book.tips.filter((t) => t.machineId === machineId && t.holderId === holderId),
  observations: book.observations.filter((o) => o.machineId === machineId && o.holderId === holderId),
});
