import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { kienzle } from '../cutting/kienzle.ts';
import { immersion } from '../cutting/engagement.ts';
import { sizeFactor } from './rupture-strength.ts';
import { leanAfterSprings } from './spring-lean.ts';
import { springPasses } from './spring-pass.ts';
import { bendSteppedBeam } from './stepped-beam.ts';
import { type LeaningTool, type WallCut, wallProfile } from './wall-profile.ts';

const law = kienzle({ kc11: 1460, mc: 0.23, radialRatio: 0.55, axialRatio: 0.2 });
const cutOf = (over: Partial<WallCut> & { ae?: number } = {}): WallCut => {
  const direction = over.direction ?? 'climb';
  const ap = over.axialDepthMm ?? 15;
  const arc = immersion(over.ae ?? 1, 12, direction);
  return {
    bands: [{ fromMm: 0, toMm: ap, radiusMm: 6, kapr: Math.PI / 2, arc }],
    pitch: Array<number>(4).fill(Math.PI / 2),
    helix: (38 * Math.PI) / 180,
    feedPerToothMm: 0.06,
    axialDepthMm: ap,
    direction,
    ...over,
  };
};
const toolOf = (lengthMm: number, diameterMm: number, support = 0): LeaningTool => ({
  segments: [{ lengthMm, diameterMm, modulusGPa: 580 }],
  support: () => support,
});

describe('error along the wall', () => {
  it('climb leaves stock', () => {
    const { errorMm } = wallProfile(cutOf(), law, toolOf(40, 10));
    expect(errorMm.every((e) => e >= 0)).toBe(true);
  });

  it('conventional draws the tool in where the tooth enters, and undercuts', () => {
    // At entry the tooth itself takes no chip: what bends the tool is its neighbours further on in the arc.
    const wide = wallProfile(cutOf({ direction: 'conventional', ae: 3 }), law, toolOf(40, 10));
    expect(wide.smallestMm).toBeLessThan(0);
  });

  it('differs along the height with a helix and is the same lean everywhere on a stiff straight-fluted post', () => {
    const helical = wallProfile(cutOf(), law, toolOf(40, 10));
    expect(helical.largestMm).toBeGreaterThan(1.3 * Math.max(1e-6, helical.smallestMm));
    const stiff = wallProfile(cutOf({ ae: 12, helix: 0.0001 }), law, toolOf(40, 300, 1e-5));
    expect(stiff.largestMm - stiff.smallestMm).toBeLessThan(0.02 * Math.abs(stiff.largestMm) + 1e-6);
  });

  it('scales with the cube of length and the inverse fourth power of diameter of a clamped tool', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 40, max: 120, noNaN: true }),
        fc.double({ min: 6, max: 14, noNaN: true }),
        (length, diameter) => {
          const at = (l: number, d: number): number =>
            wallProfile(cutOf({ axialDepthMm: 0.4 }), law, toolOf(l, d), 4).largestMm;
          expect(at(2 * length, diameter) / at(length, diameter)).toBeCloseTo(8, 0);
          expect(at(length, diameter) / at(length, 2 * diameter)).toBeCloseTo(16, 3);
        },
      ),
      { numRuns: 20, seed: 5 },
    );
  });

  it('at the tip agrees with the stepped beam under the same force', () => {
    const lone = cutOf({ axialDepthMm: 0.2, helix: 1e-6, ae: 6 });
    const profile = wallProfile(lone, law, toolOf(40, 10), 2);
    const out = { tangential: 0, radial: 0, axial: 0 };
    // A straight tooth stands on the wall at the exit of a half-immersed cut; its chip there is zero, its neighbour's full.
    law.at(0.06, out);
    const force = out.tangential * 0.2;
    const { tipMm } = bendSteppedBeam(toolOf(40, 10).segments, force, 0.2);
    expect(profile.largestMm).toBeCloseTo(tipMm, 4);
  });
});

describe('spring passes', () => {
  const force = (width: number): number => 900 * width ** 0.8;
  it('leave less each time while the chip shears', () => {
    const passes = springPasses(0.1, 3, 1e-4, force, (w) => 0.1 * Math.sqrt(w), 0.001);
    expect(passes.map((p) => p.rubs)).toEqual([false, false, false]);
    for (const p of passes) expect(p.leftMm).toBeLessThan(p.foundMm);
    expect(passes[0]!.leftMm).toBeCloseTo(1e-4 * force(0.1 - passes[0]!.leftMm), 6);
  });

  it('stop where the edge only rubs: the size does not move', () => {
    const [first, ...rest] = springPasses(0.01, 3, 1e-4, force, (w) => 0.02 * Math.sqrt(w), 0.008);
    expect(first).toMatchObject({ rubs: true, leftMm: 0.01 });
    expect(rest).toEqual([]);
  });

  it('have nothing to do on a wall that is right', () => {
    expect(springPasses(0, 2, 1e-4, force, () => 1, 0.01)).toEqual([]);
  });
});

describe('lean after spring passes', () => {
  const chip = (width: number): number => 0.1 * Math.sqrt(width);
  it('falls with every pass that cuts, and solves its own balance', () => {
    const once = leanAfterSprings(0.05, 0.5, 1, 0.002, chip);
    const twice = leanAfterSprings(0.05, 0.5, 2, 0.002, chip);
    expect(once.leftMm).toBeLessThan(0.05);
    expect(twice.leftMm).toBeLessThan(once.leftMm);
    expect(once.leftMm).toBeCloseTo(0.05 * ((0.05 - once.leftMm) / 0.5) ** 0.88, 6);
  });

  it('stays where the pass would only rub, and where none is made', () => {
    expect(leanAfterSprings(0.01, 0.5, 2, 0.05, chip)).toEqual({ leftMm: 0.01, useful: 0 });
    expect(leanAfterSprings(0.01, 0.5, 0, 0.002, chip)).toEqual({ leftMm: 0.01, useful: 0 });
  });
});

describe('size effect on rupture strength', () => {
  it('makes a thick root weaker and a thin one stronger, within reason', () => {
    expect(sizeFactor(20)).toBeLessThan(sizeFactor(12));
    expect(sizeFactor(12)).toBeLessThan(1);
    expect(sizeFactor(2)).toBe(1.25);
    expect(() => sizeFactor(0)).toThrow(/diameter/);
  });
});
