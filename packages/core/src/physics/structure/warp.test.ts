import { describe, expect, it } from 'vitest';
import { bowAfter } from './warp.ts';

const PLATE = { lengthMm: 300, blankMm: 20, topMm: 2, bottomMm: 0 };

describe('bow after letting go', () => {
  it('a 300 mm aluminium plate skinned on one side bows by tenths, taken alike from both it stays flat', () => {
    const one = bowAfter(PLATE, 40, 3, 71);
    expect(one).toBeGreaterThan(0.05);
    expect(one).toBeLessThan(0.6);
    expect(bowAfter({ ...PLATE, topMm: 1, bottomMm: 1 }, 40, 3, 71)).toBe(0);
  });
  it('grows with the square of the length and with less wall left', () => {
    const one = bowAfter(PLATE, 40, 3, 71);
    expect(bowAfter({ ...PLATE, lengthMm: 600 }, 40, 3, 71)).toBeCloseTo(4 * one, 9);
    expect(bowAfter({ ...PLATE, blankMm: 10 }, 40, 3, 71)).toBeGreaterThan(3 * one);
  });
});
