import { describe, expect, it } from 'vitest';
import { turned } from '../../../fixtures/turned.ts';
import { evaluate, numberOf } from '../../evaluation/evaluate.ts';
import { wallDeflection, wallHz } from '../../physics/turning/thin-tube.ts';

describe('the wall of a thin tube', () => {
  const tube = { outerMm: 80, boreMm: 74, lengthMm: 60, modulusMPa: 200_000 };
  const at = (change: Partial<typeof tube>) => wallDeflection({ ...tube, ...change }, 100);

  it('is a ring where it is short: waves twisted less the longer it is', () => {
    // A free ring under one force, its waves two and more: F·R³/(π·E·I)·Σ 1/(n²−1)² without twist.
    const long = at({ lengthMm: 1e5 });
    expect(long).toBeLessThan(at({ lengthMm: 60 }));
    const [radius, wall] = [38.5, 3];
    const plate = (200_000 * wall ** 3) / (12 * 0.91);
    const sum = [2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12].reduce((s, n) => s + 1 / (n * n - 1) ** 2, 0);
    expect(long).toBeCloseTo((100 * 3 * radius ** 3 * sum) / (Math.PI * plate * 1e5), 6);
  });

  it('gives way with the cube of its thinness', () => {
    const thin = at({ boreMm: 77 });
    expect(thin / at({})).toBeGreaterThan(7);
    expect(thin / at({})).toBeLessThan(9);
  });

  it('a 3 mm wall of an 80 mm sleeve gives way by hundredths under a finishing cut, a thick one by nothing', () => {
    expect(at({})).toBeGreaterThan(0.002);
    expect(at({})).toBeLessThan(0.05);
    expect(at({ boreMm: 30 })).toBeLessThan(2e-4);
  });

  it('makes the diameter run, unless a centre holds the end round', () => {
    const sleeve = (boreMm: number, support: 'chuck' | 'tailstock' = 'chuck') => {
      const c = turned(
        { startMm: 80.8, endMm: 80, lengthMm: 55, overhangMm: 60, boreMm, support, toleranceMm: 0.04 },
        { cutterId: 'ins-fin-55' },
      );
      return numberOf(evaluate(c.op, c.context), 'size').value;
    };
    expect(sleeve(77)).toBeGreaterThan(3 * sleeve(40));
    expect(sleeve(77, 'tailstock')).toBeLessThan(sleeve(77));
  });

  it('rings as an oval: a sleeve of 1 mm wall at a few hundred hertz, a thicker one higher', () => {
    const steel = (boreMm: number) =>
      wallHz({ outerMm: 80, boreMm, lengthMm: 65, modulusMPa: 193_000 }, 8000);
    expect(steel(78)).toBeGreaterThan(300);
    expect(steel(78)).toBeLessThan(700);
    expect(steel(74)).toBeGreaterThan(2.5 * steel(78));
  });

  it('refuses what is no tube', () => {
    expect(() => at({ boreMm: 81 })).toThrow(/bore/);
    expect(() => at({ lengthMm: 0 })).toThrow(/length/);
  });
});
