import { describe, expect, it } from 'vitest';
import { firstIndex } from './first-index.ts';

describe('first index from which something holds', () => {
  it('is that of looking at each in turn, and the count where it holds for none', () => {
    for (let count = 0; count < 20; count++) {
      for (let from = 0; from <= count; from++) expect(firstIndex(count, (i) => i >= from)).toBe(from);
    }
  });

  it('looks at few', () => {
    let looks = 0;
    firstIndex(1_000_000, (i) => {
      looks++;
      return i >= 765_432;
    });
    expect(looks).toBeLessThanOrEqual(20);
  });
});
