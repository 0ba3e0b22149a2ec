import type { CribKind } from '../crib-kinds.ts';
import { namedInCsv } from './csv-rows.ts';
import { jsonRows } from './json-rows.ts';
import { ownId } from './slug.ts';

/** Ids and names a file may mean by its rows: all of the crib that reading it has to know. */
export function namedIn(
  kind: CribKind,
  { format, text }: { readonly format: 'csv' | 'json'; readonly text: string },
): { readonly ids: readonly string[]; readonly names: readonly string[] } {
  const [ids, names] = [new Set<string>(), new Set<string>()];
  const add = (id: unknown, name: unknown): void => {
    if (typeof id === 'string' && id) ids.add(id);
    if (typeof name !== 'string' || !name) return;
    names.add(name);
    ids.add(ownId(name));
  };
  if (format === 'csv') for (const { id, name } of namedInCsv(kind, text)) add(id, name);
  else for (const { tree, id } of jsonRows(kind, text).rows) add(id, tree['name']);
  return { ids: [...ids], names: [...names] };
}
