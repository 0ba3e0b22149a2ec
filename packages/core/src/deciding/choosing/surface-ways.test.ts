import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { barrelFamily } from '../../families/barrel.ts';
import { ofFamily } from '../../families/family.ts';
import { CRIB } from '../../../fixtures/crib.ts';
import { type CurvedSurface, surfaceWays } from './surface-ways.ts';

const FILLET: CurvedSurface = { slopeDeg: 60, scallopMm: 0.005, areaMm2: 2000, hollowMm: null, tiltDeg: 10 };
const CUT = { speedMMin: 80, feedPerToothMm: 0.08, mostRpm: 12_000, kc11: 1800, mc: 0.25 };
const ways = (change: Partial<CurvedSurface> = {}) =>
  surfaceWays({ ...FILLET, ...change }, CUT, CRIB.cutters);
const of = (id: string, change: Partial<CurvedSurface> = {}) => ways(change).find((w) => w.cutterId === id);

describe('ball, bull nose and barrel on the same surface', () => {
  it('a barrel steps four times as far as a 6 mm ball and more, and takes a quarter of the minutes', () => {
    const [barrel, ball] = [of('barrel-12-z6')!, of('ball-6-z2')!];
    expect(barrel.stepMm / ball.stepMm).toBeGreaterThan(4);
    expect(barrel.minutes).toBeLessThan(ball.minutes / 4);
    expect(ways()[0]!.cutterId).toBe('barrel-12-z6');
    // Its small corner gets where the ball does not.
    expect(barrel.cornerMm).toBeLessThan(ball.cornerMm);
  });

  it('has its speed where it touches: a ball on a slope, with its tilt', () => {
    expect(of('ball-6-z2', { slopeDeg: 30, tiltDeg: 0 })!.contactDiameterMm).toBeCloseTo(3, 9);
    expect(of('ball-6-z2', { slopeDeg: 30, tiltDeg: 15 })!.contactDiameterMm).toBeCloseTo(
      6 * Math.SQRT1_2,
      9,
    );
    expect(of('ball-6-z2', { slopeDeg: 30, tiltDeg: 0 })!.speedRpm).toBeCloseTo(80_000 / (Math.PI * 3), 6);
    expect(of('em-bull-12-z4-re1-var', { slopeDeg: 30, tiltDeg: 0 })!.contactDiameterMm).toBeCloseTo(11, 9);
  });

  it('a ball on a floor stands still at its middle until it is tilted', () => {
    expect(of('ball-6-z2', { slopeDeg: 0, tiltDeg: 0 })!.against).toMatch(/tilt it/);
    expect(of('ball-6-z2', { slopeDeg: 0, tiltDeg: 15 })!.against).toBeNull();
  });

  it('a barrel does not go into a hollow smaller than its profile, a ball does', () => {
    expect(of('barrel-12-z6', { hollowMm: 40 })!.against).toMatch(/hollow by less/);
    expect(of('ball-6-z2', { hollowMm: 40 })!.against).toBeNull();
    expect(ways({ hollowMm: 40 })[0]!.against).toBeNull();
    expect(ways({ hollowMm: 40 }).at(-1)!.against).not.toBeNull();
  });

  const circle = (shape: string) => ofFamily(barrelFamily, { shape, ground: 'steel', diameter: 10 }).cutter;

  it('a taper barrel reaches slopes a straight one does not; a lens takes the floor a barrel never touches', () => {
    const on = (slopeDeg: number, tiltDeg: number) =>
      surfaceWays({ ...FILLET, slopeDeg, tiltDeg }, CUT, ['tangent', 'taper', 'lens'].map(circle)).map((w) =>
        w.name.split(' ').slice(0, 2).join(' '),
      );
    expect(on(75, 0).sort()).toEqual(['Barrel cutter', 'Taper barrel']);
    // There a straight one touches with its small corner only, and takes far longer.
    expect(on(30, 15)).toEqual(['Taper barrel', 'Barrel cutter']);
    expect(on(0, 4)[0]).toBe('Lens cutter');
  });

  it('the wider step pushes harder: force by the step, at the feed of a tooth', () => {
    const [barrel, ball] = [of('barrel-12-z6')!, of('ball-6-z2')!];
    expect(barrel.forceN / ball.forceN).toBeCloseTo(
      (barrel.stepMm / ball.stepMm) * (barrel.feedPerToothMm / ball.feedPerToothMm) ** 0.75,
      6,
    );
  });

  it('leaves the ridge that is asked, or less where the edge is no wider; Ra both ways', () => {
    for (const w of ways()) {
      expect(w.raAcrossUm).toBeLessThanOrEqual(1000 * 0.2566 * 0.005 + 1e-6);
      expect(w.raAlongUm).toBeGreaterThan(0);
      expect(w.raAlongUm).toBeLessThan(1);
    }
    expect(of('ball-6-z2')!.raAcrossUm).toBeCloseTo(1.283, 3);
  });

  it('flat mills are none of them, and a wall has no ridges of a corner', () => {
    expect(ways().some((w) => w.cutterId === 'em-flat-12-z2')).toBe(false);
    expect(of('em-bull-12-z4-re1-var', { slopeDeg: 90, tiltDeg: 0 })).toBeUndefined();
  });

  it('a higher ridge never takes longer, and every number is one', () => {
    const any = fc.record({
      slopeDeg: fc.double({ min: 1, max: 89, noNaN: true }),
      scallopMm: fc.double({ min: 0.0005, max: 0.05, noNaN: true }),
      areaMm2: fc.double({ min: 10, max: 1e5, noNaN: true }),
      tiltDeg: fc.double({ min: 0, max: 30, noNaN: true }),
    });
    fc.assert(
      fc.property(any, (s) => {
        const [fine, coarse] = [ways(s), ways({ ...s, scallopMm: 2 * s.scallopMm })];
        for (const w of fine) {
          const values = [w.stepMm, w.minutes, w.speedRpm, w.raAcrossUm, w.raAlongUm];
          expect(values.every((v) => Number.isFinite(v) && v > 0)).toBe(true);
          const same = coarse.find((c) => c.cutterId === w.cutterId);
          if (same) expect(same.minutes).toBeLessThanOrEqual(w.minutes + 1e-9);
        }
      }),
      { seed: 8, numRuns: 80 },
    );
  });

  it('refuses what is no surface', () => {
    expect(() => ways({ slopeDeg: 100 })).toThrow(/slope/);
    expect(() => ways({ scallopMm: 0 })).toThrow(/scallop/);
    expect(() => ways({ areaMm2: -1 })).toThrow(/area/);
  });
});
