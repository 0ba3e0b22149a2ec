import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  drivenHolders,
  drivenLathes,
  latheTools,
  smallMachines,
  workingHolders,
  workingRange,
} from '@burl/core';
import { eq, sql } from 'drizzle-orm';
import type { CribKind } from '@burl/contract';
import type { Database } from '../store/client.ts';
import { foundBy } from '../store/found-by.ts';
import { alloys, cutters, holders, machines, toolMaterials } from '../store/schema/crib.ts';

type Entry = { readonly id: string };
/** What follows from rules alone: the working range of a shop. */
const CLASSES: { readonly [K in CribKind]?: () => readonly Entry[] } = {
  cutters: () => [...workingRange(), ...latheTools()],
  holders: () => [...workingHolders(), ...drivenHolders()],
  machines: () => [...smallMachines(), ...drivenLathes()],
};

/** Reference entries, and those of the working range that are none of them already. */
function withClasses(kind: CribKind, given: readonly Entry[]): readonly Entry[] {
  const known = new Set(given.map((e) => e.id));
  return [...given, ...(CLASSES[kind]?.() ?? []).filter((e) => !known.has(e.id))];
}

/** Puts the shipped reference data in, or brings it up to date; what the shop made is not touched. */
export async function seedCrib(db: Database, folder: string): Promise<void> {
  const read = (name: string): Record<string, never> =>
    JSON.parse(readFileSync(join(folder, `${name}.json`), 'utf8')) as Record<string, never>;
  const tables = { alloys, cutters, holders, machines };
  await db.transaction(async (tx) => {
    for (const [kind, table] of Object.entries(tables) as [keyof typeof tables, typeof alloys][]) {
      const documents = withClasses(kind, read(kind)[kind] as unknown as { id: string }[]);
      await tx
        .insert(table)
        .values(
          documents.map((document) => ({
            id: document.id,
            origin: 'built-in' as const,
            document: document as never,
            foundBy: foundBy(kind, document as never),
          })),
        )
        .onConflictDoUpdate({
          target: table.id,
          set: { document: sql`excluded.document`, foundBy: sql`excluded.found_by`, updatedAt: new Date() },
          setWhere: sql`${table.origin} = 'built-in' and (${table.document}, ${table.foundBy}) is distinct from (excluded.document, excluded.found_by)`,
        });
      // Entries of the shop from before they could be searched for.
      const unfound = await tx.select().from(table).where(eq(table.foundBy, ''));
      for (const { id, document } of unfound)
        await tx
          .update(table)
          .set({ foundBy: foundBy(kind, document) })
          .where(eq(table.id, id));
    }
    const { substrates, coatings } = read('cutters') as unknown as Record<
      'substrates' | 'coatings',
      Record<string, object>
    >;
    const rows = [
      ...Object.entries(substrates).map(([id, document]) => ({ kind: 'substrate' as const, id, document })),
      ...Object.entries(coatings).map(([id, document]) => ({ kind: 'coating' as const, id, document })),
    ];
    await tx
      .insert(toolMaterials)
      .values(rows)
      .onConflictDoUpdate({
        target: [toolMaterials.kind, toolMaterials.id],
        set: { document: sql`excluded.document` },
      });
  });
}
