import { bench, describe } from 'vitest';
import { CRIB } from '../fixtures/crib.ts';
import { found, wordsOfCutter } from '../src/crib/finding.ts';

/** As many as a filled crib has: the shipped ones again and again, each an entry of its own. */
const ENTRIES = Array.from({ length: 1500 }, (_, i) => {
  const cutter = CRIB.cutters[i % CRIB.cutters.length]!;
  return { id: `${cutter.id}-${i}`, name: cutter.name, words: wordsOfCutter(cutter) };
});

describe('the picker, 1,500 entries', () => {
  bench('a keystroke', () => {
    found('12 4fl', ENTRIES);
  });
});
