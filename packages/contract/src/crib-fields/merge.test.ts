import { describe, expect, it } from 'vitest';
import { mergeEdits } from './merge.ts';

const base = { name: 'Mill', properties: { DC: 12, LU: 36, OAL: 83 }, groups: ['P'] };

describe('what two people made of one entry', () => {
  it('goes together where they changed different values', () => {
    const mine = { ...base, properties: { ...base.properties, LU: 40 } };
    const theirs = { ...base, name: 'Mill, short', properties: { ...base.properties, OAL: 80 } };
    const { merged, clashes } = mergeEdits(base, mine, theirs);
    expect(merged).toEqual({ name: 'Mill, short', properties: { DC: 12, LU: 40, OAL: 80 }, groups: ['P'] });
    expect(clashes).toEqual([]);
  });

  it('is told where both changed one value, and the same change is no clash', () => {
    const mine = { ...base, name: 'A', properties: { ...base.properties, LU: 40 }, groups: ['P', 'M'] };
    const theirs = { ...base, name: 'B', properties: { ...base.properties, LU: 40 }, groups: ['S'] };
    const { merged, clashes } = mergeEdits(base, mine, theirs);
    expect(clashes).toEqual([
      { path: 'name', mine: 'A', theirs: 'B' },
      { path: 'groups', mine: ['P', 'M'], theirs: ['S'] },
    ]);
    expect(merged.properties.LU).toBe(40);
  });

  it('a value one of them took away stays away', () => {
    const { LU: _, ...short } = base.properties;
    const theirs = { ...base, properties: { ...base.properties, OAL: 90 } };
    expect(mergeEdits<unknown>(base, { ...base, properties: short }, theirs).merged).toEqual({
      ...base,
      properties: { DC: 12, OAL: 90 },
    });
  });
});
