import { describe, expect, it } from 'vitest';
import { ENTRY_FIELDS } from './crib-fields/entry-fields.ts';
import { CRIB_KINDS } from './crib-kinds.ts';
import { rangeOf } from './crib-schema.ts';

describe('what a number of an entry may be', () => {
  it.each([
    ['cutters', 'properties.DC', [0.05, 500]],
    ['cutters', 'extended.edge_radius_um', [0, 500]],
    ['holders', 'gauge_length_mm', [5, 800]],
    ['holders', 'runout_at_3xd_um', [0.05, 500]],
    ['machines', 'axes.x.max_feed_mm_min', [10, 500_000]],
    ['machines', 'max_rpm', [1, 300_000]],
  ] as const)('%s: %s', (kind, path, range) => {
    expect(rangeOf(kind, path)).toEqual(range);
  });

  it('is told for nearly every number of a form', () => {
    const without = CRIB_KINDS.flatMap((kind) =>
      ENTRY_FIELDS[kind]
        .filter((f) => ['number', 'whole', 'span'].includes(f.kind) && rangeOf(kind, f.path) === null)
        .map((f) => `${kind} ${f.path}`),
    );
    expect(without.length, without.join(', ')).toBeLessThan(8);
  });
});
