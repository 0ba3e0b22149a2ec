import { describe, expect, it } from 'vitest';
import { randomCut } from '../../../fixtures/random-cut.ts';
import { averagedBorderAt, borderCloud, CLOSE_SHIFTS } from './border-cloud.ts';

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
});
