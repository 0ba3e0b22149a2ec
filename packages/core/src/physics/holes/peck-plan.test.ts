import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenPecks, longestStretch, type PeckConditions, planPecks } from './peck-plan.ts';

const hole: PeckConditions = { depthMm: 40, diameterMm: 8, carbide: true, throughBar: 40, difficult: true };
const conditions = fc.record({
  depthMm: fc.double({ min: 1, max: 150, noNaN: true }),
  diameterMm: fc.double({ min: 2, max: 20, noNaN: true }),
  carbide: fc.boolean(),
  throughBar: fc.constantFrom(0, 5, 10, 20, 40, 70),
  difficult: fc.boolean(),
});

describe('peck plan', () => {
  it('drills 5 diameters in one stroke with coolant through the tool, and pecks without', () => {
    expect(planPecks(hole)).toHaveLength(1);
    expect(planPecks({ ...hole, throughBar: 0 }).length).toBeGreaterThan(3);
    expect(planPecks({ ...hole, throughBar: 0 })[0]!.retract).toBe('full');
  });

  it('never adds pecks with twice the pressure', () => {
    fc.assert(
      fc.property(conditions, (c) => {
        expect(planPecks({ ...c, throughBar: c.throughBar * 2 }).length).toBeLessThanOrEqual(
          planPecks(c).length,
        );
      }),
    );
  });

  it('never needs fewer pecks for a deeper hole, and always reaches the bottom', () => {
    fc.assert(
      fc.property(conditions, fc.double({ min: 1, max: 2, noNaN: true }), (c, f) => {
        const pecks = planPecks(c);
        expect(planPecks({ ...c, depthMm: c.depthMm * f }).length).toBeGreaterThanOrEqual(pecks.length);
        expect(pecks.at(-1)!.toMm).toBeCloseTo(c.depthMm, 9);
      }),
    );
  });

  it('cuts even pecks that add up', () => {
    const pecks = evenPecks(34, 10, 'full');
    expect(pecks.map((p) => p.toMm)).toEqual([10, 20, 30, 34]);
    expect(longestStretch(pecks, 5)).toBe(2);
  });
});
