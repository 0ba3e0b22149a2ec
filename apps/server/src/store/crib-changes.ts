import type {
  Assembly,
  AssemblyInput,
  AssemblyUpdate,
  CopyEntry,
  CribDocuments,
  CribEntry,
  CribKind,
  Person,
  Retirement,
} from '@burl/contract';
import {
  type Cutter,
  InputError,
  missingMaterials,
  speak,
  type ToolMaterials,
  wrongHolder,
} from '@burl/core';
import { eq, sql } from 'drizzle-orm';
import { changed, record } from './audit.ts';
import type { Database, Transaction } from './client.ts';
import { tableOf, entryOf, requireEntry, toolMaterialsOf } from './crib-store.ts';
import { foundBy } from './found-by.ts';
import { inUse, locked, present, stale } from './refusal.ts';
import { markStaleNaming, namedAt } from './summary-stale.ts';
import { type alloys, assemblies } from './schema/crib.ts';

/** The four tables are alike, so one of them stands for all in queries. */

type Document = CribDocuments[CribKind] & Record<string, unknown>;

/** A row of the shop; throws an InputError where its id is taken. */
async function insertEntry(
  tx: Transaction,
  kind: CribKind,
  document: Document,
  copiedFrom: string | null = null,
): Promise<EntryRow> {
  const { id } = document;
  const [made] = await tx
    .insert(tableOf(kind))
    .values({ id, origin: 'shop', copiedFrom, document: document as never, foundBy: foundBy(kind, document) })
    .onConflictDoNothing()
    .returning();
  if (!made) throw new InputError([{ field: 'id', value: id, allowed: 'an id nobody has yet' }]);
  return made;
}
type EntryRow = typeof alloys.$inferSelect;

/** A new entry of the shop. `madeBy` says how it came about, as from a family. */
export const addEntry = (
  db: Database,
  person: Person,
  kind: CribKind,
  { document, madeBy }: { readonly document: Record<string, unknown>; readonly madeBy?: string },
): Promise<CribEntry> =>
  db.transaction(async (tx) => {
    if (kind === 'cutters') requireMaterials(document, await toolMaterialsOf(tx));
    const made = await insertEntry(tx, kind, document as never);
    await record(tx, person, {
      action: 'made crib entry',
      subject: `${kind}/${made.id}`,
      detail: { document, ...(madeBy && { reason: madeBy }) },
    });
    return entryOf(made);
  });

/** Takes an entry off what is offered, or brings it back. Also a built-in one: a shop need not show what it has not. */
export const retireEntry = (
  db: Database,
  person: Person,
  kind: CribKind,
  id: string,
  { version, retired, reason }: Retirement,
): Promise<CribEntry> =>
  db.transaction(async (tx) => {
    const table = tableOf(kind);
    const [found] = await tx.select().from(table).where(eq(table.id, id)).for('update');
    const before = present(found, 'This entry');
    if (before.version !== version) throw stale(entryOf(before));
    const [after] = await tx
      .update(table)
      .set({ retiredAt: retired ? new Date() : null, version: version + 1, updatedAt: new Date() })
      .where(eq(table.id, id))
      .returning();
    await record(tx, person, {
      action: retired ? 'retired crib entry' : 'brought crib entry back',
      subject: `${kind}/${id}`,
      detail: { ...(reason && { reason }) },
    });
    return entryOf(after!);
  });

/** Copies an entry under a new id, as one of the shop. */
export const copyEntry = (
  db: Database,
  person: Person,
  kind: CribKind,
  { copyOf, id, name }: CopyEntry,
): Promise<CribEntry> =>
  db.transaction(async (tx) => {
    const table = tableOf(kind);
    const [original] = await tx.select().from(table).where(eq(table.id, copyOf));
    if (!original) throw new InputError([{ field: 'copyOf', value: copyOf, allowed: `an entry of ${kind}` }]);
    const document = { ...original.document, id, name };
    const made = await insertEntry(tx, kind, document as never, copyOf);
    await record(tx, person, {
      action: 'copied crib entry',
      subject: `${kind}/${id}`,
      detail: { copyOf },
    });
    return entryOf(made);
  });

/** A cutter is made of a substrate and a coating the crib has. */
export function requireMaterials(document: Record<string, unknown>, materials: ToolMaterials): void {
  const problems = missingMaterials(document as unknown as Cutter, materials);
  if (problems.length > 0)
    throw new InputError(problems.map((p) => ({ ...p, field: `document.${p.field}` })));
}

/** Saves an entry of the shop; refuses a built-in one, and what somebody else was quicker to save. */
export async function changeEntry(
  db: Database,
  person: Person,
  kind: CribKind,
  id: string,
  {
    version,
    document,
    reason,
  }: { readonly version: number; readonly document: Record<string, unknown>; readonly reason?: string },
): Promise<CribEntry> {
  if (document['id'] !== id)
    throw new InputError([{ field: 'document.id', value: document['id'], allowed: id }]);
  return db.transaction(async (tx) => {
    const table = tableOf(kind);
    if (kind === 'cutters') requireMaterials(document, await toolMaterialsOf(tx));
    const [found] = await tx.select().from(table).where(eq(table.id, id)).for('update');
    const before = present(found, 'This entry');
    if (before.origin === 'built-in')
      throw locked('Built-in entries stay as they are: copy it and change the copy.');
    if (before.version !== version) throw stale(entryOf(before));
    const [after] = await tx
      .update(table)
      .set({
        document: document as never,
        foundBy: foundBy(kind, document as never),
        version: version + 1,
        updatedAt: new Date(),
      })
      .where(eq(table.id, id))
      .returning();
    await record(tx, person, {
      action: 'changed crib entry',
      subject: `${kind}/${id}`,
      detail: { version: version + 1, ...(reason && { reason }), ...changed(before.document, document) },
    });
    await markStaleNaming(tx, kind, id);
    return entryOf(after!);
  });
}

/** Removes an entry of the shop that no operation uses. */
export const removeEntry = (db: Database, person: Person, kind: CribKind, id: string): Promise<void> =>
  db.transaction(async (tx) => {
    const table = tableOf(kind);
    const [entry] = await tx.select().from(table).where(eq(table.id, id)).for('update');
    if (present(entry, 'This entry').origin === 'built-in') throw locked('Built-in entries stay.');
    const used = await tx.execute(sql`select 1 from variants v where ${namedAt(kind)} = ${id} limit 1`);
    if (used.rows.length > 0) throw inUse('An operation uses this entry; it stays.');
    await tx.delete(table).where(eq(table.id, id));
    await record(tx, person, {
      action: 'removed crib entry',
      subject: `${kind}/${id}`,
      detail: { document: entry!.document },
    });
  });

/** Both are of the crib, and the one goes into the other. */
async function requirePair(db: Database, { cutterId, holderId }: AssemblyInput): Promise<void> {
  const cutter = await requireEntry(db, 'cutters', 'cutterId', cutterId);
  const holder = await requireEntry(db, 'holders', 'holderId', holderId);
  const wrong = wrongHolder(cutter, holder);
  if (wrong)
    throw new InputError([
      {
        field: 'holderId',
        value: holder.name,
        allowed: `a holder that takes ${cutter.name}. ${speak(wrong, 'metric')}`,
      },
    ]);
}

const assemblyOf = ({ updatedAt: _, ...rest }: typeof assemblies.$inferSelect): Assembly => rest;

/** A cutter in a holder under a name. */
export async function addAssembly(db: Database, person: Person, input: AssemblyInput): Promise<Assembly> {
  await requirePair(db, input);
  return db.transaction(async (tx) => {
    const [made] = await tx
      .insert(assemblies)
      .values({ ...input, runoutUm: input.runoutUm ?? null })
      .returning();
    await record(tx, person, { action: 'made assembly', subject: input.name, detail: input });
    return assemblyOf(made!);
  });
}

export async function changeAssembly(
  db: Database,
  person: Person,
  id: string,
  { version, ...input }: AssemblyUpdate,
): Promise<Assembly> {
  await requirePair(db, input);
  return db.transaction(async (tx) => {
    const [found] = await tx.select().from(assemblies).where(eq(assemblies.id, id)).for('update');
    const before = present(found, 'This assembly');
    if (before.version !== version) throw stale(assemblyOf(before));
    const [after] = await tx
      .update(assemblies)
      .set({ ...input, runoutUm: input.runoutUm ?? null, version: version + 1, updatedAt: new Date() })
      .where(eq(assemblies.id, id))
      .returning();
    await record(tx, person, {
      action: 'changed assembly',
      subject: input.name,
      detail: changed(assemblyOf(before), assemblyOf(after!)),
    });
    return assemblyOf(after!);
  });
}
