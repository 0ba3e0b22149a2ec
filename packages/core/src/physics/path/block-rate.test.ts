import { describe, expect, it } from 'vitest';
import { chordLength, feedOfBlocks, feedOnArc } from './block-rate.ts';

describe('blocks and arcs', () => {
  it('a chord of 0.01 mm sagitta on a 6 mm arc is 0.69 mm', () => {
    const chord = chordLength(6, 0.01);
    expect(chord).toBeCloseTo(0.6925, 3);
    expect(6 - Math.sqrt(36 - (chord / 2) ** 2)).toBeCloseTo(0.01, 9);
  });

  it('0.1 mm lines at a millisecond each saturate at 6 m/min', () => {
    expect(feedOfBlocks(0.1, 1)).toBeCloseTo(6000);
  });

  it('5 m/s² holds 6 m/min on a 2 mm arc', () => {
    expect(feedOnArc(5, 2)).toBeCloseTo(6000);
  });

  it('refuses a path without radius or tolerance', () => {
    expect(() => chordLength(0, 0.01)).toThrow(/path radius/);
    expect(() => chordLength(5, 0)).toThrow(/path tolerance/);
  });
});
