import { describe, expect, it } from 'vitest';
import { goldenCases } from '../../../../golden/compare.ts';
import { cutOf, structureOf } from '../../../../golden/stability.ts';
import { dominantMultiplier } from './dominant.ts';
import { freeModes } from './free-motion.ts';
import { limitDepth } from './limit-depth.ts';
import { applied, periodMap } from './period-map.ts';
import { FINE } from './resolution.ts';
import { stabilityMap, type StabilityMap } from './stability-map.ts';

const [c] = goldenCases('sdm-2dof');
const [cut, structure] = [cutOf(c!), structureOf(c!)];
const RAD = Math.PI / 180;

function whole(wish: Parameters<typeof stabilityMap>[2]): { map: StabilityMap; shares: number[] } {
  const work = stabilityMap(cut, structure, wish);
  const shares: number[] = [];
  for (;;) {
    const step = work.next();
    if (step.done) return { map: step.value, shares };
    shares.push(step.value);
  }
}

describe('map of stability', () => {
  const wish = { fromRpm: 4000, toRpm: 14000, mostMm: 6, columns: 41, rows: 40 };
  const { map, shares } = whole(wish);

  it('has its border where the closed-in border is', () => {
    for (const column of [0, 8, 16, 24, 32, 40]) {
      const border = limitDepth(cut, structure, map.rpm[column]!).depthMm!;
      if (border > 5.5) continue;
      const unstable = map.depthMm.findIndex((_, r) => map.growth[r * 41 + column]! >= 0);
      expect(Math.abs(map.depthMm[unstable]! - border)).toBeLessThan(0.3);
    }
  });

  it('tells its progress, and works out fewer points than it shows', () => {
    expect(shares[shares.length - 1]).toBe(1);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    expect(map.computed).toBeLessThan(41 * 40 * 0.7);
    expect([...map.growth].some((g) => Number.isNaN(g))).toBe(false);
  });

  it('refuses an empty range', () => {
    expect(() => stabilityMap(cut, structure, { ...wish, toRpm: 3000 }).next()).toThrow(/rising speeds/);
  });
});

describe('the cutter that is cut with where these alloys are', () => {
  const slow = {
    pitch: [72, 72, 72, 72, 72].map((p) => p * RAD),
    entry: 147 * RAD,
    exit: Math.PI,
    tangential: 1980,
    radial: 560,
    diameterMm: 12,
    dampingNPerM: 45000,
  };
  const tip = {
    x: [{ hz: 3600, damping: 0.02, stiffness: 2.2e7 }],
    y: [{ hz: 3540, damping: 0.02, stiffness: 2.1e7 }],
  };

  it.each([
    ['equal teeth', slow],
    ['a helix', { ...slow, helix: slow.pitch.map(() => 38 * RAD) }],
    [
      'unequal teeth',
      { ...slow, dampingNPerM: 8000, pitch: [74.8, 67.8, 73.4, 69.2, 74.8].map((p) => p * RAD) },
    ],
  ])(
    '36 waves between two teeth, %s: the border is within a hundredth of the converged one',
    (_, of) => {
      const quick = limitDepth(of, tip, 1200).depthMm!;
      const converged = limitDepth(of, tip, 1200, {
        tolerance: 1e-5,
        levels: [FINE, { nodes: 14, wavesPerPiece: 0.8, turnPerPiece: 0.6 }],
      }).depthMm!;
      expect(quick / converged).toBeGreaterThan(0.99);
      expect(quick / converged).toBeLessThan(1.01);
    },
    60_000,
  );

  it('with more waves in a period than anybody follows it is the averaged border, and says so', () => {
    const undamped = { ...slow, dampingNPerM: 0 };
    const [far, near] = [0.5, 1200].map((rpm) => limitDepth(undamped, tip, rpm, { tolerance: 0.01 }));
    expect(far).toMatchObject({ error: Infinity, depthMm: far!.overviewMm });
    expect(near!.error).toBeLessThan(0.01);
  });

  it('process damping lifts the border, and more at half the speed', () => {
    const lift = (rpm: number): number =>
      limitDepth(slow, tip, rpm).depthMm! / limitDepth({ ...slow, dampingNPerM: 0 }, tip, rpm).depthMm!;
    expect(lift(2400)).toBeGreaterThan(1.1);
    expect(lift(1200)).toBeGreaterThan(lift(2400));
  });

  it('with teeth that differ by nothing, unequal pitch is equal pitch', () => {
    const equal = limitDepth(slow, tip, 2400).depthMm!;
    const barely = { ...slow, pitch: [72.001, 71.999, 72, 72.001, 71.999].map((p) => p * RAD) };
    expect(limitDepth(barely, tip, 2400).depthMm! / equal).toBeCloseTo(1, 2);
  });
});

describe('the map of one period', () => {
  it('is linear, and free motion alone dies as the damping says', () => {
    const modes = freeModes(structure);
    const map = periodMap(cut, modes, 8000, 1e-6, FINE);
    const [a, b] = [1, 2].map((k) => Float64Array.from({ length: map.size }, (_, i) => Math.sin(k * i + k)));
    const both = a!.map((v, i) => 2 * v - 3 * b![i]!);
    const [one, other, sum] = [a!, b!, both].map((vector) => applied(map, vector).to);
    sum!.forEach((v, i) => expect(v).toBeCloseTo(2 * one![i]! - 3 * other![i]!, 9));
    const slowest = Math.max(
      ...[...structure.x, ...structure.y].map((m) => Math.exp(-m.damping * 2 * Math.PI * m.hz * map.period)),
    );
    expect(dominantMultiplier(map).size / slowest).toBeCloseTo(1, 3);
  });
});
