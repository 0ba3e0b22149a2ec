import { CRIB_KINDS } from '@burl/contract';
import { describe, expect, it } from 'vitest';
import { holdEntries } from './entries.ts';
import { partnersOf, shippedCrib } from './shipped-crib.ts';

describe('an entry of the crib with values nobody meant', () => {
  const crib = shippedCrib();
  it.each(CRIB_KINDS)(
    '%s: is taken or refused by field, soon, and nothing else comes of it',
    (kind) => {
      const held = holdEntries(kind, partnersOf(crib), crib, 500);
      expect(held.uncaught).toEqual([]);
      expect(held.refused).toBeGreaterThan(100);
      expect(held.tried - held.refused).toBeGreaterThan(50);
      // What hangs takes minutes; a busy machine takes seconds.
      expect(held.longestMs).toBeLessThan(10_000);
    },
    120_000,
  );
});
