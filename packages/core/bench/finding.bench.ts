import { bench, describe } from 'vitest';
import { SHIPPED } from '../fixtures/crib.ts';
import { found, wordsOfCutter } from '../src/crib/finding.ts';

/** A filled crib: the shipped tools again and again, each an entry of its own. */
const filled = (count: number) =>
  Array.from({ length: count }, (_, i) => {
    const cutter = SHIPPED.cutters[i % SHIPPED.cutters.length]!;
    return { id: `${cutter.id}-${i}`, name: `${cutter.name} ${i}`, words: wordsOfCutter(cutter) };
  });
const [BUILT_IN, SHOP] = [filled(1500), filled(20_000)];
/** What one types on the way to a tool. */
const KEYS = ['1', '12', '12 5', '12 5f', '12 5fl', '12 5fl t', '12 5fl titanium'];

describe('the picker: what one types for a tool, key by key', () => {
  bench('1,500 entries', () => {
    for (const typed of KEYS) found(typed, BUILT_IN);
  });
  bench('20,000 entries', () => {
    for (const typed of KEYS) found(typed, SHOP);
  });
});
