import { join } from 'node:path';
import { CRIB_KINDS } from '@burl/contract';
import { describe, expect, it } from 'vitest';
import { holdEntries } from './entries.ts';
import { shippedCrib } from '../../../packages/contract/test/shipped-crib.ts';
import { repositoryRoot } from '../src/repository.ts';
import { partnersIn } from '../src/work/try-entry.ts';

const crib = shippedCrib(join(repositoryRoot(), 'packages/core/data'));

describe('an entry of the crib with values nobody meant', () => {
  it.each(CRIB_KINDS)(
    '%s: is taken or refused by field, soon, and nothing else comes of it',
    (kind) => {
      const held = holdEntries(kind, partnersIn(crib), crib, 500);
      expect(held.uncaught).toEqual([]);
      expect(held.refused).toBeGreaterThan(100);
      expect(held.tried - held.refused).toBeGreaterThan(50);
      // What hangs takes minutes; a busy machine takes seconds.
      expect(held.longestMs).toBeLessThan(10_000);
    },
    120_000,
  );
});
