import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Crib, CribKind } from '@burl/contract';
import { isDrill, isMillingCutter, type ToolMaterials } from '@burl/core';
import { repositoryRoot } from '../src/repository.ts';

const read = (name: string): Record<string, unknown[]> =>
  JSON.parse(readFileSync(join(repositoryRoot(), 'packages/core/data', `${name}.json`), 'utf8')) as Record<
    string,
    unknown[]
  >;

const entriesOf = (kind: CribKind): unknown[] =>
  read(kind)[kind]!.map((document) => ({
    id: (document as { id: string }).id,
    origin: 'built-in',
    copiedFrom: null,
    version: 1,
    document,
  }));

/** The crib Burl ships with, as the server answers it. */
export function shippedCrib(): Crib {
  const { substrates, coatings } = read('cutters') as unknown as ToolMaterials;
  return {
    alloys: entriesOf('alloys'),
    machines: entriesOf('machines'),
    cutters: entriesOf('cutters'),
    holders: entriesOf('holders'),
    materials: { substrates, coatings },
    assemblies: [],
    resonance: { serial: null, tips: [], observations: [] },
  } as unknown as Crib;
}

/** The same with one mill and one drill: what an entry is tried with. */
export function partnersOf(crib: Crib): Crib {
  const { cutters } = crib;
  return {
    ...crib,
    cutters: [cutters.find((c) => isMillingCutter(c.document))!, cutters.find((c) => isDrill(c.document))!],
  };
}
