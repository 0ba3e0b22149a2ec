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
  cribSource,
  requireContext,
  resolveContext,
  type ContextSource,
  type Crib,
  type CribDocuments,
  type CribEntry,
  type CribKind,
} from '@burl/contract';
import { eq } from 'drizzle-orm';
import type { Database, Transaction } from './client.ts';
import { combinationsOf } from './combination-store.ts';
import { alloys, assemblies, cutters, holders, machines, toolMaterials } from './schema.ts';

export const CRIB_TABLES = { alloys, machines, cutters, holders } as const;

type Row = {
  id: string;
  origin: 'built-in' | 'shop';
  copiedFrom: string | null;
  version: number;
  document: unknown;
};

export const entryOf = <K extends CribKind>(row: Row): CribEntry<K> => ({
  id: row.id,
  origin: row.origin,
  copiedFrom: row.copiedFrom,
  version: row.version,
  document: row.document as CribDocuments[K],
});

/** All entries of a kind, by name. */
export async function entriesOf<K extends CribKind>(
  db: Database | Transaction,
  kind: K,
): Promise<CribEntry<K>[]> {
  const rows = await db.select().from(CRIB_TABLES[kind] as typeof alloys);
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

export async function wholeCrib(db: Database | Transaction): Promise<Crib> {
  // One after the other: a transaction has a single connection.
  const a = await entriesOf(db, 'alloys');
  const m = await entriesOf(db, 'machines');
  const c = await entriesOf(db, 'cutters');
  const h = await entriesOf(db, 'holders');
  const materials = await toolMaterialsOf(db);
  const sets = await db.select().from(assemblies).orderBy(assemblies.name);
  return {
    alloys: a,
    machines: m,
    cutters: c,
    holders: h,
    materials,
    assemblies: sets.map(({ updatedAt: _, ...rest }) => rest),
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
