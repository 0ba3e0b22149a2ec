import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { barrelFamily } from '../../families/barrel.ts';
import { ofFamily } from '../../families/family.ts';
import { CRIB } from '../../../fixtures/crib.ts';
import { type CurvedSurface, surfaceWays } from './surface-ways.ts';

const FILLET: CurvedSurface = {
  slopeDeg: 60,
  scallopMm: 0.005,
  areaMm2: 2000,
  stockMm: 0.2,
  hollowMm: null,
  mostTiltDeg: 30,
};
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

  it('has its speed where it touches: a ball on a slope', () => {
    expect(of('ball-6-z2', { slopeDeg: 30 })!.contactDiameterMm).toBeCloseTo(3, 9);
    expect(of('ball-6-z2', { slopeDeg: 45 })!.contactDiameterMm).toBeCloseTo(6 * Math.SQRT1_2, 9);
    expect(of('ball-6-z2', { slopeDeg: 30 })!.speedRpm).toBeCloseTo(80_000 / (Math.PI * 3), 6);
    expect(of('em-bull-12-z4-re1-var', { slopeDeg: 30 })!.contactDiameterMm).toBeCloseTo(11, 9);
  });

  it('a ball on a floor stands still at its middle: it is tilted by some ten degrees, on three axes it does not do', () => {
    const tilted = of('ball-6-z2', { slopeDeg: 0 })!;
    expect(tilted.tiltDeg).toBeGreaterThan(9);
    expect(tilted.tiltDeg).toBeLessThan(13);
    expect(tilted.against).toBeNull();
    expect(of('ball-6-z2', { slopeDeg: 0, mostTiltDeg: 0 })!.against).toMatch(/five axes/);
    // On a slope it needs none.
    expect(of('ball-6-z2', { slopeDeg: 30, mostTiltDeg: 0 })).toMatchObject({ tiltDeg: 0, against: null });
  });

  it('a barrel lies with its flank on the surface: tilted by what its flank leans less than the slope', () => {
    // 22 mm of R 100: ±6.3°, of which it is touched with ±3.8; two degrees inside that.
    const at = of('barrel-12-z6', { slopeDeg: 60 })!;
    expect(at.contactMm).toBe(100);
    expect(at.tiltDeg).toBeCloseTo(90 - 0.6 * ((Math.asin(0.11) * 180) / Math.PI) + 1.9 - 60, 0);
    // Where the tilt is not to be had its small corner does what a corner does.
    expect(of('barrel-12-z6', { slopeDeg: 60, mostTiltDeg: 0 })!.contactMm).toBe(1);
  });

  it('a barrel does not go into a hollow smaller than its profile, a ball does', () => {
    expect(of('barrel-12-z6', { hollowMm: 40 })!.against).toMatch(/hollow by less/);
    expect(of('ball-6-z2', { hollowMm: 40 })!.against).toBeNull();
    expect(ways({ hollowMm: 40 })[0]!.against).toBeNull();
    expect(ways({ hollowMm: 40 }).at(-1)!.against).not.toBeNull();
  });

  const circle = (shape: string) => ofFamily(barrelFamily, { shape, ground: 'steel', diameter: 10 }).cutter;

  it('a taper barrel reaches slopes a straight one does not; a lens takes the floor a barrel never touches', () => {
    const on = (slopeDeg: number, mostTiltDeg: number) =>
      surfaceWays({ ...FILLET, slopeDeg, mostTiltDeg }, CUT, ['tangent', 'taper', 'lens'].map(circle)).filter(
        (w) => w.contactMm > 10 && w.against === null,
      );
    const named = (slopeDeg: number, most: number) =>
      on(slopeDeg, most)
        .map((w) => w.name.split(' ')[0])
        .sort();
    expect(named(70, 0)).toEqual(['Taper']);
    expect(named(88, 0)).toEqual(['Barrel']);
    expect(named(88, 20)).toEqual(['Barrel', 'Taper']);
    // Upright the taper barrel's flank would dig into a wall: it is tilted away from it.
    expect(on(88, 20).find((w) => w.name.startsWith('Taper'))!.tiltDeg).toBeLessThan(-10);
    expect(named(0, 8)).toEqual(['Lens']);
    expect(named(30, 60)).toContain('Taper');
  });

  it('a barrel pushes harder than a ball on the same stock, and both harder on more of it', () => {
    const [barrel, ball] = [of('barrel-12-z6')!, of('ball-6-z2')!];
    expect(barrel.forceN).toBeGreaterThan(2 * ball.forceN);
    expect(of('ball-6-z2', { stockMm: 0.4 })!.forceN).toBeGreaterThan(1.2 * ball.forceN);
    // A 6 mm ball on 0.2 mm pushes with tens of newtons, not with hundreds.
    expect(ball.forceN).toBeGreaterThan(10);
    expect(ball.forceN).toBeLessThan(120);
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
    expect(of('em-bull-12-z4-re1-var', { slopeDeg: 90, mostTiltDeg: 0 })?.against).toMatch(/tilted/);
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
