import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { surfaceBands } from './surface-bands.ts';
import { radiusAlong, surfaceContact, touchesDead, wantedTilts } from './surface-contact.ts';

const BALL = { type: 'end_mill_ball' as const, properties: { DC: 10 } };
const BARREL = {
  type: 'end_mill_barrel' as const,
  properties: { DC: 10, RE: 1, LCF: 16, PRFRAD: 80, TA: 20 },
};
type Shape = typeof BALL;
const at = (cutter: Shape | typeof BARREL, lean: number) => surfaceContact(cutter as Shape, lean)!;

/** Area a pass takes across its path, mm²: each slice's height by its depth from the axis. */
const areaOf = (bands: ReturnType<typeof surfaceBands>): number =>
  bands.reduce(
    (sum, b) => sum + (b.toMm - b.fromMm) * b.radiusMm * (1 - Math.cos(b.arc.exit - b.arc.entry)),
    0,
  );

describe('the edge in a pass over a surface', () => {
  it('takes step × stock, whatever the lean of a ball', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 35, max: 85, noNaN: true }),
        fc.double({ min: 0.1, max: 0.6, noNaN: true }),
        fc.double({ min: 0.1, max: 0.3, noNaN: true }),
        (lean, step, stock) => {
          const area = areaOf(surfaceBands(at(BALL, lean), stock, step, 'climb'));
          expect(area / (step * stock)).toBeGreaterThan(0.85);
          expect(area / (step * stock)).toBeLessThan(1.15);
        },
      ),
    );
  });

  it('of a barrel too, along a profile that hardly bends', () => {
    const area = areaOf(surfaceBands(at(BARREL, 70), 0.15, 1.2, 'climb'));
    expect(area / (0.15 * 1.2)).toBeGreaterThan(0.85);
    expect(area / (0.15 * 1.2)).toBeLessThan(1.15);
  });

  it('runs from the tip upwards without a gap, each slice on its own circle of the ball', () => {
    const bands = surfaceBands(at(BALL, 45), 0.3, 0.4, 'climb');
    for (const [i, b] of bands.entries()) {
      expect(b.radiusMm).toBeCloseTo(5 * Math.sin(b.kapr), 9);
      if (i > 0) expect(b.fromMm).toBeCloseTo(bands[i - 1]!.toMm, 9);
      if (i > 0) expect(b.kapr).toBeGreaterThan(bands[i - 1]!.kapr);
    }
  });

  it('has an edge in the cut at every lean, stock and step, also of a lens upright', () => {
    const lens = { type: 'end_mill_lens' as const, properties: { DC: 10, RE: 1, PRFRAD: 40 } };
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.double({ min: 0.001, max: 2, noNaN: true }),
        fc.double({ min: 0.0005, max: 0.5, noNaN: true }),
        (lean, step, stock) => {
          const bands = surfaceBands(surfaceContact(lens, lean)!, stock, step, 'climb');
          expect(bands.length).toBeGreaterThan(0);
          expect(bands.every((b) => [b.radiusMm, b.kapr, b.toMm].every((v) => v > 0))).toBe(true);
        },
      ),
    );
  });

  it('a step so narrow that nothing is left takes next to nothing', () => {
    expect(areaOf(surfaceBands(at(BALL, 45), 0.2, 0.001, 'conventional'))).toBeLessThan(0.001);
  });
});

describe('where a rounded edge touches', () => {
  it('is out of the dead middle from asin 0.15 on', () => {
    const dead = (lean: number) => touchesDead(at(BALL, lean), BALL);
    expect(dead(8.6)).toBe(true);
    expect(dead(8.7)).toBe(false);
    expect(wantedTilts(BALL, 0)[0]!.tiltDeg).toBeCloseTo(8.63 + 2, 1);
    expect(wantedTilts(BALL, 30)[0]!.tiltDeg).toBe(0);
  });

  it('sweeps a sphere as round along as across, a bull nose along its circle', () => {
    expect(radiusAlong(at(BALL, 40))).toBeCloseTo(5, 9);
    expect(radiusAlong(at(BALL, 0))).toBe(5);
    const bull = surfaceContact({ type: 'end_mill_bull', properties: { DC: 12, RE: 1 } }, 30)!;
    expect(radiusAlong(bull)).toBeCloseTo(11, 9);
  });

  it('a flat mill touches no slope, and nothing tilts it there', () => {
    const flat = { type: 'end_mill_flat' as const, properties: { DC: 12 } };
    expect(surfaceContact(flat, 30)).toBeNull();
    expect(wantedTilts(flat, 30)).toEqual([]);
  });
});
