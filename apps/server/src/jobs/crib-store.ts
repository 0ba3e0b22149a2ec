import type { Coating, Operation, OperationContext, ResonanceBook, Substrate } from '@burl/core';
import { InputError } from '@burl/core';
import {
  bookOf,
  type Crib,
  type CribDocuments,
  type CribEntry,
  type CribKind,
  type ToolMaterials,
} from '@burl/contract';
import type { Database, Transaction } from '../db/client.ts';
import { combinationsOf } from './combination-store.ts';
import { alloys, assemblies, cutters, holders, machines, toolMaterials } from '../db/schema.ts';

export const CRIB_TABLES = { alloys, machines, cutters, holders } as const;

type Row = {
  id: string;
  origin: 'built-in' | 'shop';
  copiedFrom: string | null;
  version: number;
  document: unknown;
};

const entryOf = <K extends CribKind>(row: Row): CribEntry<K> => ({
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
    resonance: bookOf(await combinationsOf(db)),
  };
}

/** Context of an operation from the crib. Throws an InputError naming the field when it names an unknown entry. */
export function contextFromCrib(crib: Crib, op: Operation, quantity: number): OperationContext {
  const find = <T extends { readonly id: string; readonly document: unknown }>(
    list: readonly T[],
    id: string,
    field: string,
  ): T['document'] => {
    const found = list.find((e) => e.id === id);
    if (!found) throw new InputError([{ field, value: id, allowed: 'an entry of the crib' }]);
    return found.document;
  };
  const cutter = find(crib.cutters, op.tooling.cutterId, 'tooling.cutterId') as OperationContext['cutter'];
  const material = <T>(list: Readonly<Record<string, T>>, id: string, field: string): T => {
    const found = list[id];
    if (!found) throw new InputError([{ field, value: id, allowed: Object.keys(list).join(', ') }]);
    return found;
  };
  return {
    alloy: find(crib.alloys, op.alloyId, 'alloyId') as OperationContext['alloy'],
    machine: find(crib.machines, op.machineId, 'machineId') as OperationContext['machine'],
    holder: find(crib.holders, op.tooling.holderId, 'tooling.holderId') as OperationContext['holder'],
    cutter,
    substrate: material(crib.materials.substrates, cutter.extended.substrate, 'cutter.extended.substrate'),
    coating: material(crib.materials.coatings, cutter.extended.coating, 'cutter.extended.coating'),
    quantity,
    resonance: aboutHolder(crib.resonance, op.machineId, op.tooling.holderId),
  };
}

/** What is remembered of one holder in one machine: all that bears on an operation, and all a release keeps. */
const aboutHolder = (book: ResonanceBook, machineId: string, holderId: string): ResonanceBook => ({
  ...book,
  tips: book.tips.filter((t) => t.machineId === machineId && t.holderId === holderId),
  observations: book.observations.filter((o) => o.machineId === machineId && o.holderId === holderId),
});
