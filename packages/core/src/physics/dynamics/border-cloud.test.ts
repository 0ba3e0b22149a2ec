import { describe, expect, it } from 'vitest';
import { randomCut } from '../../../fixtures/random-cut.ts';
import { averagedBorderAt, borderCloud, CLOSE_SHIFTS, type Shifts } from './border-cloud.ts';
import { chanceOf } from './chatter-chance.ts';

describe('borders of worlds whose frequencies and land differ', () => {
  it('a speed spared because a faster one is calm has no border in reach either', () => {
    const [stickOutMm, sigma] = [40, { hz: 0.1, land: 0.8 }];
    let spared = 0;
    for (let i = 0; i < 600; i++) {
      const { cut, structure, rpm } = randomCut(i);
      const worn = { ...cut, dampingNPerM: 10 ** (5 + (i % 3) / 2), dampingFriction: 0.3 };
      const at = { depthMm: 4, stickOutMm };
      const { byFrequency } = borderCloud(worn, structure, rpm, at, sigma, CLOSE_SHIFTS);
      // Fastest first, as they are listed.
      const shifts = CLOSE_SHIFTS.frequency.map(([z]) => z).sort((a, b) => a - b);
      shifts.forEach((z, k) => {
        const each = averagedBorderAt(worn, structure, rpm * Math.exp(-sigma.hz * z), at).depthMm ?? Infinity;
        const told = byFrequency[k]!.depthMm;
        if (told === each) return;
        spared++;
        expect(told).toBe(Infinity);
        expect(each).toBeGreaterThan(2 * stickOutMm);
      });
    }
    expect(spared).toBeGreaterThan(40);
  });

  it('the chance is that of many lands, within some points', () => {
    const [at, sigma] = [
      { depthMm: 2, stickOutMm: 40 },
      { hz: 0.1, land: 0.8 },
    ];
    const nodes = Array.from({ length: 31 }, (_, i) => (i - 15) / 5);
    const density = nodes.map((z) => Math.exp((-z * z) / 2));
    const sum = density.reduce((a, b) => a + b);
    const many: Shifts = { ...CLOSE_SHIFTS, land: nodes.map((z, i) => [z, density[i]! / sum] as const) };
    const off: number[] = [];
    for (let i = 0; i < 120; i++) {
      const { cut, structure, rpm } = randomCut(i);
      const worn = { ...cut, dampingNPerM: 10 ** (5 + (i % 3) / 2), dampingFriction: 0.3 };
      const chance = (shifts: Shifts): number =>
        chanceOf(borderCloud(worn, structure, rpm, at, sigma, shifts).all, at.depthMm, 0.35);
      off.push(Math.abs(chance(CLOSE_SHIFTS) - chance(many)));
    }
    expect(Math.max(...off)).toBeLessThan(0.06);
    expect(off.reduce((a, b) => a + b) / off.length).toBeLessThan(0.006);
  });
});
