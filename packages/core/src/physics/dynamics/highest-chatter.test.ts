import { describe, expect, it } from 'vitest';
import { FIVE_FLUTES } from '../../../fixtures/chatter-cut.ts';
import { randomCut } from '../../../fixtures/random-cut.ts';
import { averagedBorder, longestDelay, responseGrid } from './averaged-border.ts';
import { highestChatter } from './highest-chatter.ts';
import type { TipStructure } from './tip-structure.ts';

const TIP: TipStructure = {
  x: [
    { hz: 700, damping: 0.04, stiffness: 4e7 },
    { hz: 4400, damping: 0.02, stiffness: 2e7 },
  ],
  y: [
    { hz: 650, damping: 0.04, stiffness: 4e7 },
    { hz: 4400, damping: 0.02, stiffness: 2e7 },
  ],
};

describe('highest frequency a cut may chatter at', () => {
  it('is no lower than where the averaged border is heard', () => {
    let some = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const { cut, structure, rpm } = randomCut(seed);
      const { depthMm, hz } = averagedBorder(cut, responseGrid(structure, longestDelay(cut, rpm)), rpm);
      // With unequal teeth delays add up to less than any one phase: the equal cutter is what is bounded.
      if (depthMm === Infinity || cut.pitch.some((p) => Math.abs(p - cut.pitch[0]!) > 1e-9)) continue;
      some++;
      expect(highestChatter(cut, structure, rpm, 1.05 * depthMm)).toBeGreaterThan(0.97 * hz);
    }
    expect(some).toBeGreaterThan(15);
  });

  it('leaves out the tool’s own mode where the land damps it away', () => {
    const cut = { ...FIVE_FLUTES, dampingNPerM: 1e5, dampingFriction: 0.3 };
    const at = (of: typeof cut, rpm: number): number => {
      const { depthMm } = averagedBorder(of, responseGrid(TIP, longestDelay(of, rpm)), rpm);
      return highestChatter(of, TIP, rpm, 1.5 * depthMm);
    };
    expect(at(cut, 1500)).toBeGreaterThan(640);
    expect(at(cut, 1500)).toBeLessThan(1000);
    expect(at(cut, 20_000)).toBeGreaterThan(4400);
    expect(at({ ...cut, dampingNPerM: 0 }, 1500)).toBeGreaterThan(4400);
  });

  it('is what a deeper cut would chatter at where nothing chatters as deep as asked', () => {
    const cut = { ...FIVE_FLUTES, dampingNPerM: 1e5, dampingFriction: 0.3 };
    const shallow = highestChatter(cut, TIP, 1500, 1e-4);
    expect(shallow).toBeGreaterThan(640);
    expect(shallow).toBeLessThan(1000);
    expect(highestChatter(cut, TIP, 1500, 1e-3)).toBe(shallow);
  });

  it('is none where nothing drives a vibration at any depth', () => {
    const { x, ...rigid } = { ...TIP, y: [] };
    const feedOnly = { ...FIVE_FLUTES, tangential: 0, radial: 0 };
    expect(highestChatter(feedOnly, { x, ...rigid }, 3000, 60)).toBe(0);
  });
});
