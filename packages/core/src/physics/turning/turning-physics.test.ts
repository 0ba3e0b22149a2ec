import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { outOfRound } from './clamped-ring.ts';
import { gripLoss } from './jaw-grip.ts';
import { leastChipWidth } from './least-chip-width.ts';
import { noseChip } from './nose-chip.ts';
import { bendingHz, deflectionUnder, type HeldBar, mostDeflection } from './part-bending.ts';
import { minutesAcross, minutesAlong, minutesToCentre, spindleAt, surfaceSpeedAt } from './surface-speed.ts';
import { turnedRoughness } from './turned-roughness.ts';
import { turningForces } from './turning-force.ts';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const SEED = { seed: 5, numRuns: 300 };

describe('chip of a nosed edge', () => {
  const cut = fc.record({
    nose: between(0.2, 1.6),
    share: between(0.05, 0.7),
    depth: between(0.3, 6),
    lead: between(45, 100),
  });

  it('is the feed times the depth less the ridge it leaves, whatever nose and lead', () => {
    fc.assert(
      fc.property(cut, ({ nose, share, depth, lead }) => {
        const feed = share * nose;
        const chip = noseChip({ noseMm: nose, leadDeg: lead }, feed, depth);
        expect(chip.areaMm2).toBeLessThanOrEqual(feed * depth + 1e-9);
        expect(chip.areaMm2).toBeGreaterThan(feed * (depth - chip.ridgeMm) - 1e-6);
        expect(chip.edgeMm).toBeGreaterThan(depth - 1e-9);
        expect(chip.equivalentMm).toBeLessThan(feed + 1e-9);
        expect(chip.acrossMm).toBeLessThan(chip.edgeMm);
      }),
      SEED,
    );
  });

  it('tends to a sharp corner as the nose gets small', () => {
    const sharp = noseChip({ noseMm: 0, leadDeg: 75 }, 0.04, 2);
    const small = noseChip({ noseMm: 0.03, leadDeg: 75 }, 0.04, 2);
    expect(small.areaMm2 / sharp.areaMm2).toBeCloseTo(1, 2);
    expect(small.edgeMm / sharp.edgeMm).toBeCloseTo(1, 1);
    expect(sharp.flowLeadDeg).toBe(75);
  });

  it('a straight edge square to the part feels no movement across it; its nose does', () => {
    expect(noseChip({ noseMm: 0, leadDeg: 90 }, 0.2, 3).acrossMm).toBeCloseTo(0, 9);
    const [shallow, deep] = [1.5, 4].map((d) => noseChip({ noseMm: 0.8, leadDeg: 90 }, 0.2, d).acrossMm);
    expect(shallow).toBeCloseTo(deep!, 6);
    expect(noseChip({ noseMm: 0.4, leadDeg: 90 }, 0.2, 3).acrossMm).toBeLessThan(shallow!);
  });

  it('a feed wider than the nose leaves no surface and is refused', () => {
    expect(() => noseChip({ noseMm: 0.2, leadDeg: 95 }, 0.45, 1)).toThrow(/feed per revolution/);
    expect(() => noseChip({ noseMm: 0.2, leadDeg: 150 }, 0.1, 1)).toThrow(/cutting edge angle/);
  });
});

describe('forces of a turned chip', () => {
  it('go with the feed to the power 1 − mc where the edge keeps its shape', () => {
    const at = (feed: number) =>
      turningForces({ kc11: 1800, mc: 0.25, normalRatio: 0.4 }, noseChip({ noseMm: 0, leadDeg: 95 }, feed, 2))
        .cuttingN;
    expect(at(0.3) / at(0.1)).toBeCloseTo(3 ** 0.75, 9);
  });
});

describe('constant surface speed', () => {
  const run = fc.record({
    vc: between(20, 400),
    cap: between(200, 5000),
    from: between(20, 400),
    share: between(0, 0.95),
    feed: between(0.03, 0.5),
  });

  it('minutes fall with the cap raised and never rise', () => {
    fc.assert(
      fc.property(run, ({ vc, cap, from, share, feed }) => {
        const across = (capRpm: number) => minutesAcross({ speedMMin: vc, capRpm }, from, share * from, feed);
        expect(across(cap * 1.5)).toBeLessThanOrEqual(across(cap) * (1 + 1e-12));
      }),
      SEED,
    );
  });

  it('is the sum of many small steps at their own speeds', () => {
    const set = { speedMMin: 120, capRpm: 1800 };
    let sum = 0;
    for (let k = 0; k < 5000; k++) {
      const d = 100 - (95 * (k + 0.5)) / 5000;
      sum += minutesAlong(set, d, 95 / 2 / 5000, 0.15);
    }
    expect(minutesAcross(set, 100, 5, 0.15)).toBeCloseTo(sum, 5);
    expect(minutesAcross(set, 5, 100, 0.15)).toBeCloseTo(sum, 5);
  });

  it('holds the surface speed down to the cap, and the cap below', () => {
    const set = { speedMMin: 100, capRpm: 2000 };
    expect(surfaceSpeedAt(set, 60)).toBeCloseTo(100, 9);
    expect(spindleAt(set, 5)).toBe(2000);
    expect(surfaceSpeedAt(set, 5)).toBeLessThan(32);
    expect(spindleAt(set, 0)).toBe(2000);
  });

  it('a feed reduced near the centre takes longer, by what it is reduced', () => {
    const set = { speedMMin: 90, capRpm: 2000 };
    const plain = minutesToCentre(set, 50, 0.1, { belowMm: 4, share: 1 });
    expect(minutesToCentre(set, 50, 0.1, { belowMm: 4, share: 0.5 }) - plain).toBeCloseTo(
      4 / 2 / 0.1 / 2000,
      9,
    );
  });
});

describe('a part that bends', () => {
  const part = fc.record({
    d: between(6, 120),
    length: between(40, 900),
    at: between(0.05, 1),
    share: between(0.2, 0.9),
  });
  const bar = (d: number, pinsMm: number[]): HeldBar => ({ diameterMm: d, modulusMPa: 205_000, pinsMm });

  it('gives way no more with a tailstock than without, and no more with a steady besides', () => {
    fc.assert(
      fc.property(part, ({ d, length, at, share }) => {
        const [free, tail, both] = [[], [length], [share * length, length]].map((pins) =>
          deflectionUnder(bar(d, pins), 500, at * length),
        );
        expect(tail!).toBeLessThanOrEqual(free! * (1 + 1e-9));
        expect(both!).toBeLessThanOrEqual(tail! + free! * 1e-6);
      }),
      SEED,
    );
  });

  it('does not move where it is held', () => {
    expect(deflectionUnder(bar(40, [300]), 800, 300)).toBeCloseTo(0, 9);
    expect(deflectionUnder(bar(40, [150, 300]), 800, 150)).toBeCloseTo(0, 9);
  });

  it('gives way most at its free end, and between the supports with a tailstock', () => {
    expect(mostDeflection(bar(30, []), 400, 20, 200).atMm).toBe(200);
    const held = mostDeflection(bar(30, [200]), 400, 0, 200);
    expect(held.atMm).toBeGreaterThan(100);
    expect(held.atMm).toBeLessThan(150);
  });

  it('a bore takes little of its stiffness, and its frequency falls with the square of its length', () => {
    const [solid, bored] = [0, 15].map((boreMm) => deflectionUnder({ ...bar(30, []), boreMm }, 400, 100));
    expect(bored! / solid!).toBeCloseTo(1 / (1 - 0.5 ** 4), 6);
    expect(bendingHz(bar(30, []), 200, 7800) / bendingHz(bar(30, []), 400, 7800)).toBeCloseTo(4, 6);
    // A steel bar of 20 mm, 200 mm out: about 350 Hz by the tables.
    expect(bendingHz(bar(20, []), 200, 7850)).toBeGreaterThan(320);
    expect(bendingHz(bar(20, []), 200, 7850)).toBeLessThan(380);
  });
});

describe('chatter, grip and surface', () => {
  it('the least chip width goes with stiffness and damping', () => {
    const at = (stiffnessNMm: number, dampingRatio: number) =>
      leastChipWidth({ stiffnessNMm, dampingRatio, naturalHz: 500 }, 1500).widthMm;
    expect(at(20_000, 0.03) / at(10_000, 0.03)).toBeCloseTo(2, 9);
    expect(at(10_000, 0.06)).toBeGreaterThan(2 * at(10_000, 0.03));
  });

  it('a chuck loses its grip with the square of the speed', () => {
    const jaws = { count: 3, massKg: 1.2, radiusMm: 80 };
    expect(gripLoss(jaws, 2000) / gripLoss(jaws, 1000)).toBeCloseTo(4, 9);
  });

  it('a surface has a floor: a finer feed does not better it for ever', () => {
    const at = (feed: number): number => turnedRoughness(feed, 0.8, 0.003);
    expect(at(0.2)).toBeGreaterThan(at(0.1));
    expect(at(0.01)).toBeGreaterThan(0.9 * at(0.03));
    expect(at(0.3)).toBeCloseTo(0.3 ** 2 / 6.4, 2);
  });
});

describe('a ring in its jaws', () => {
  const ring = { outerMm: 100, boreMm: 92, lengthMm: 30, modulusMPa: 200_000 };
  it('loses what thin rings lose under three jaws', () => {
    const moment = (30 * 4 ** 3) / 12;
    // 0.01594 under a jaw and 0.01425 between two, as the tables have it.
    expect(outOfRound(ring, 3, 1000)).toBeCloseTo((0.0302 * 1000 * 48 ** 3) / (200_000 * moment), 4);
  });
  it('goes with the force, and falls with jaws and with the cube of the wall', () => {
    expect(outOfRound(ring, 3, 2000)).toBeCloseTo(2 * outOfRound(ring, 3, 1000), 9);
    expect(outOfRound(ring, 6, 500)).toBeLessThan(outOfRound(ring, 3, 1000) / 8);
    expect(outOfRound({ ...ring, boreMm: 84 }, 3, 1000)).toBeLessThan(outOfRound(ring, 3, 1000) / 7);
    expect(() => outOfRound({ ...ring, boreMm: 100 }, 3, 1000)).toThrow(/bore/);
  });
});
