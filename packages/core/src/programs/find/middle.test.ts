import { describe, expect, it } from 'vitest';
import { makeMiddle } from './middle.ts';

describe('middle of what is gathered', () => {
  it('has half of the weight below it, by size and by share', () => {
    for (const by of ['size', 'share'] as const) {
      const middle = makeMiddle(0.02, by);
      for (const [value, weight] of [
        [1, 1],
        [5, 3],
        [9, 1],
      ] as const)
        middle.add(value, weight);
      expect(middle.value()! / 5).toBeCloseTo(1, 1.7);
    }
  });

  it('is none of nothing', () => expect(makeMiddle(1, 'size').value()).toBeNull());
});
