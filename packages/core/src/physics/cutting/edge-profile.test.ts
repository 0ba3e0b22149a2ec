import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CRIB } from '../../../fixtures/crib.ts';
import type { Cutter } from '../../crib/cutter.ts';
import { maximumChip, meanChip } from './chip-thickness.ts';
import { chipFactor, diameterInCut, edgeProfile, meanChipFactor, widestArc } from './edge-profile.ts';

const cutter = (id: string): Cutter => CRIB.cutters.find((c) => c.id === id)!;
const square = cutter('em-flat-12-z2');
const bull = cutter('em-bull-12-z5-re0.5-var');
const ball = cutter('ball-10-z4-var');
const round = cutter('round-50-z5');
const lead = cutter('face45-63-z6');
const highFeed = cutter('hf-12-z4');

describe('edge in the cut', () => {
  it('a square end mill has one band and the plain chip', () => {
    const bands = edgeProfile(square, 10, 2, 'climb');
    expect(bands).toHaveLength(1);
    expect(chipFactor(bands)).toBeCloseTo(maximumChip(1, 2, 12), 12);
    expect(meanChipFactor(bands)).toBeCloseTo(meanChip(1, 2, 12), 12);
  });

  it('a corner radius thins the chip only where the corner is', () => {
    const deep = edgeProfile(bull, 10, 2, 'climb');
    expect(chipFactor(deep)).toBeCloseTo(maximumChip(1, 2, 12), 9);
    const shallow = edgeProfile(bull, 0.1, 2, 'climb');
    expect(chipFactor(shallow)).toBeLessThan(0.6 * maximumChip(1, 2, 12));
  });

  it('a 45° face mill and a high-feed mill thin by the sine of their edge angle', () => {
    expect(chipFactor(edgeProfile(lead, 2, 40, 'climb'))).toBeCloseTo(Math.SQRT1_2, 6);
    expect(chipFactor(edgeProfile(highFeed, 0.5, 8, 'climb'))).toBeCloseTo(Math.sin((12 * Math.PI) / 180), 9);
  });

  it('ball and round edges thin less the deeper they cut', () => {
    for (const c of [ball, round]) {
      const factor = (ap: number): number => chipFactor(edgeProfile(c, ap, 4, 'climb'));
      expect(factor(0.2)).toBeLessThan(factor(0.8));
      expect(factor(0.8)).toBeLessThan(factor(2.5));
    }
  });

  it('measures speed where the edge cuts', () => {
    // By hand: 2·√(0.4·9.6) on a ball of 10; 50 + √(12² − 8²) on inserts of 12.
    expect(diameterInCut(ball, 0.4)).toBeCloseTo(3.919183588, 8);
    expect(diameterInCut(ball, 7)).toBe(10);
    expect(diameterInCut(round, 2)).toBeCloseTo(58.94427191, 8);
    expect(diameterInCut(lead, 3)).toBeCloseTo(69, 9);
    expect(diameterInCut(bull, 5)).toBe(12);
    expect(diameterInCut(bull, 0.1)).toBeLessThan(12);
  });

  it('is a slot for every slice when it is a slot for the widest', () => {
    for (const b of edgeProfile(ball, 3, 10, 'climb'))
      expect(b.arc.exit - b.arc.entry).toBeCloseTo(Math.PI, 12);
  });

  it('climb ends at the wall, conventional begins there, and both see the same chip', () => {
    const climb = edgeProfile(bull, 8, 1.5, 'climb');
    const conventional = edgeProfile(bull, 8, 1.5, 'conventional');
    for (const b of climb) expect(b.arc.exit).toBe(Math.PI);
    for (const b of conventional) expect(b.arc.entry).toBe(0);
    expect(chipFactor(climb)).toBeCloseTo(chipFactor(conventional), 12);
    expect(widestArc(climb)).toBeCloseTo(widestArc(conventional), 12);
  });

  it('joins without gaps from the tip to the depth, whatever the cutter', () => {
    const any = fc.constantFrom(square, bull, ball, round, lead, highFeed);
    fc.assert(
      fc.property(
        any,
        fc.double({ min: 0.02, max: 1, noNaN: true }),
        fc.double({ min: 0.02, max: 1, noNaN: true }),
        (c, depth, width) => {
          const ap = depth * c.properties.APMX!;
          const bands = edgeProfile(c, ap, width * diameterInCut(c, ap), 'climb');
          expect(bands.length).toBeGreaterThan(0);
          expect(bands.at(-1)!.toMm).toBeCloseTo(ap, 9);
          for (let i = 1; i < bands.length; i++) expect(bands[i]!.fromMm).toBeCloseTo(bands[i - 1]!.toMm, 9);
          const factor = chipFactor(bands);
          expect(factor).toBeGreaterThan(0);
          expect(factor).toBeLessThanOrEqual(1 + 1e-12);
          expect(meanChipFactor(bands)).toBeLessThan(factor);
        },
      ),
    );
  });
});
