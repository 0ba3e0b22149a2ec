import { describe, expect, it } from 'vitest';
import { CRIB } from '../../fixtures/crib.ts';
import { isMillingCutter, outerDiameter } from './cutter.ts';
import { endOutline } from './end-outline.ts';

const cutter = (id: string) => CRIB.cutters.find((c) => c.id === id)!;
const at = (id: string, edgeMm: number, heightMm: number): number => {
  const points = endOutline(cutter(id), edgeMm);
  const i = points.findIndex((p) => p.heightMm >= heightMm - 1e-9 && p.radiusMm > 0);
  const [a, b] = [points[i - 1]!, points[i]!];
  const share = b.heightMm > a.heightMm ? (heightMm - a.heightMm) / (b.heightMm - a.heightMm) : 1;
  return a.radiusMm + share * (b.radiusMm - a.radiusMm);
};

describe('the outline of a cutting end', () => {
  it('of a ball is a half circle, of a flat mill a corner', () => {
    expect(at('ball-6-z2', 8, 0.5)).toBeCloseTo(Math.sqrt(9 - 2.5 ** 2), 1);
    expect(at('ball-6-z2', 8, 3)).toBeCloseTo(3, 9);
    expect(endOutline(cutter('em-flat-6-z4'), 13)).toEqual([
      { heightMm: 0, radiusMm: 0 },
      { heightMm: 0, radiusMm: 3 },
      { heightMm: 13, radiusMm: 3 },
    ]);
  });

  it('of a bull nose is flat between its corners', () => {
    const [, flat] = endOutline(cutter('em-bull-12-z4-re1-var'), 20);
    expect(flat).toEqual({ heightMm: 0, radiusMm: 5 });
    expect(at('em-bull-12-z4-re1-var', 20, 1)).toBeCloseTo(6, 9);
  });

  it('of a barrel bulges by its profile: widest half way up, 0.6 mm less at the ends of 22 mm', () => {
    const points = endOutline(cutter('barrel-12-z6'), 22);
    const widest = points.reduce((a, b) => (a.radiusMm >= b.radiusMm ? a : b));
    expect(widest.heightMm).toBeGreaterThan(9);
    expect(widest.heightMm).toBeLessThan(13);
    expect(points.at(-1)!.radiusMm).toBeCloseTo(6 - (100 - Math.sqrt(100 ** 2 - 11 ** 2)), 6);
  });

  it('of a face mill is a cone or round inserts, out to its largest diameter', () => {
    expect(at('face45-63-z6', 6, 6)).toBeCloseTo(37.5, 6);
    expect(at('face45-63-z6', 6, 3)).toBeCloseTo(34.5, 6);
    expect(at('round-50-z5', 5, 5)).toBeGreaterThan(30);
  });

  it('of a drill is its point', () => {
    const drill = CRIB.cutters.find((c) => c.type === 'drill_solid')!;
    const [, , corner] = endOutline(drill, 30);
    const half = ((Number(drill.properties['SIG']) / 2) * Math.PI) / 180;
    expect(corner!.heightMm).toBeCloseTo(drill.properties.DC! / 2 / Math.tan(half), 9);
  });

  it('of every cutter begins at the axis, rises, and is never wider than the cutter', () => {
    for (const c of CRIB.cutters.filter((x) => isMillingCutter(x))) {
      const edge = c.properties.LCF ?? c.properties.APMX ?? 5;
      const points = endOutline(c, edge);
      expect(points[0]).toEqual({ heightMm: 0, radiusMm: 0 });
      for (const [i, p] of points.entries()) {
        expect([c.id, Number.isFinite(p.radiusMm)]).toEqual([c.id, true]);
        expect([c.id, p.radiusMm <= outerDiameter(c) / 2 + 1e-6]).toEqual([c.id, true]);
        if (i > 0) expect(p.heightMm).toBeGreaterThanOrEqual(points[i - 1]!.heightMm - 1e-9);
      }
    }
  });
});
