import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { USUAL_RATES } from '@burl/core';
import type { Crib, CribEntry } from '../src/crib.ts';
import type { CribKind } from '../src/crib-kinds.ts';

/** The crib Burl ships with in a folder, as the server answers it. */
export function shippedCrib(folder: string): Crib {
  const data = (name: string): Record<string, never> =>
    JSON.parse(readFileSync(join(folder, `${name}.json`), 'utf8')) as Record<string, never>;
  const entries = <K extends CribKind>(kind: K): CribEntry<K>[] =>
    (data(kind)[kind] as unknown as { id: string }[]).map(
      (d) => ({ id: d.id, origin: 'built-in', copiedFrom: null, version: 1, document: d }) as never,
    );
  return {
    alloys: entries('alloys'),
    machines: entries('machines'),
    cutters: entries('cutters'),
    holders: entries('holders'),
    materials: { substrates: data('cutters')['substrates']!, coatings: data('cutters')['coatings']! },
    stock: [],
    learnt: [],
    rates: { rates: USUAL_RATES, version: 0 },
    assemblies: [],
    resonance: { serial: null, tips: [], observations: [] },
  };
}
