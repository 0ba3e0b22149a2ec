import { describe, expect, it } from 'vitest';
import { randomCut } from '../../../fixtures/random-cut.ts';
import { FIVE_FLUTES } from '../../../fixtures/chatter-cut.ts';
import { averagedBorder, borderInDoubt, longestDelay, responseGrid } from './averaged-border.ts';
import type { ChatterCut } from './chatter-cut.ts';
import { chatterRange, limitAtSpeed, responseOf } from './fixed-speed.ts';
import { limitDepth } from './periodic/limit-depth.ts';
import type { TipStructure } from './tip-structure.ts';

const RAD = Math.PI / 180;
const CUT: ChatterCut = { ...FIVE_FLUTES, dampingFriction: 0.3 };
const TIP: TipStructure = {
  x: [
    { hz: 95, damping: 0.04, stiffness: 1.5e8 },
    { hz: 1400, damping: 0.03, stiffness: 1.8e7 },
  ],
  y: [
    { hz: 88, damping: 0.04, stiffness: 1.4e8 },
    { hz: 1330, damping: 0.028, stiffness: 1.7e7 },
  ],
};
const quick = (cut: ChatterCut, tip: TipStructure, rpm: number) =>
  averagedBorder(cut, responseGrid(tip, longestDelay(cut, rpm)), rpm);

describe('averaged border on a grid', () => {
  it.each([700, 1600, 2400, 3700, 9000, 21000])(
    'agrees with the closed-in one within 5% at %s rpm',
    (rpm) => {
      for (const cut of [CUT, { ...CUT, dampingNPerM: 0 }, { ...CUT, entry: 0 }]) {
        const close = limitAtSpeed(cut, responseOf(TIP), rpm, chatterRange(TIP));
        const found = quick(cut, TIP, rpm);
        expect(found.depthMm / close.depthMm!).toBeGreaterThan(0.95);
        expect(found.depthMm / close.depthMm!).toBeLessThan(1.05);
      }
    },
  );

  it('of slow cuts is the one found without passing over what no phase could reach', () => {
    let slow = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const { cut, structure } = randomCut(seed);
      for (const rpm of [12, 60, 240]) {
        const grid = responseGrid(structure, longestDelay(cut, rpm));
        const blocks = grid.blocks.map((b) => ({ ...b, still: false }));
        const all = averagedBorder(cut, { ...grid, blocks }, rpm);
        if (all.depthMm > 200) continue;
        slow++;
        expect(averagedBorder(cut, grid, rpm)).toEqual(all);
      }
    }
    expect(slow).toBeGreaterThan(60);
  });

  it('finds a border far from every mode: a light cut of one mode chatters near half of it', () => {
    const one: TipStructure = { x: [], y: [{ hz: 600, damping: 0.03, stiffness: 2e7 }] };
    const light = { ...CUT, pitch: [Math.PI, Math.PI], entry: 170 * RAD, dampingNPerM: 0 };
    // Every speed chatters at some depth; looking at 0.7 to 1.5 of the mode alone left some without.
    for (let rpm = 8000; rpm < 40_000; rpm += 2000) {
      const { depthMm, hz } = quick(light, one, rpm);
      const close = limitAtSpeed(light, responseOf(one), rpm, chatterRange(one));
      if (close.depthMm === null) continue;
      expect(Math.abs(depthMm / close.depthMm - 1)).toBeLessThan(0.05);
      expect(hz).toBeGreaterThan(0);
    }
    const found = Array.from({ length: 60 }, (_, i) => quick(light, one, 8000 + 500 * i));
    expect(found.some((f) => f.depthMm !== Infinity && (f.hz < 420 || f.hz > 900))).toBe(true);
  });

  it('over ten metres is none', () => {
    const rigid: TipStructure = { x: [], y: [{ hz: 600, damping: 0.2, stiffness: 1e14 }] };
    expect(quick(CUT, rigid, 3000).depthMm).toBe(Infinity);
  });

  it('stiff modes stay where the land damps the soft one away: slow, a shank-stiff mode is where it begins', () => {
    const tip: TipStructure = {
      x: [{ hz: 4200, damping: 0.02, stiffness: 1.2e7 }],
      y: [
        { hz: 900, damping: 0.03, stiffness: 4e7 },
        { hz: 4200, damping: 0.02, stiffness: 1.2e7 },
      ],
    };
    const slow = { ...CUT, pitch: [90, 90, 90, 90].map((p) => p * RAD), entry: 0, dampingNPerM: 5e5 };
    const without: TipStructure = { x: tip.x, y: [tip.y[1]!] };
    const [all, soft] = [quick(slow, tip, 900), quick(slow, without, 900)];
    expect(all.depthMm).toBeLessThan(0.9 * soft.depthMm);
  });
});

describe('unequal teeth', () => {
  const slot: ChatterCut = {
    ...CUT,
    pitch: [94, 86, 92.4, 87.6].map((p) => p * RAD),
    entry: 0,
    dampingNPerM: 0,
  };

  it('lie between equal pitch and all delays at once, with half the distance as doubt', () => {
    const grid = responseGrid(TIP, longestDelay(slot, 1800));
    const all = averagedBorder(slot, grid, 1800).depthMm;
    const equal = averagedBorder({ ...slot, pitch: Array(4).fill(Math.PI / 2) }, grid, 1800).depthMm;
    const { depthMm, doubt } = borderInDoubt(slot, grid, 1800);
    expect(depthMm).toBeCloseTo(Math.sqrt(all * equal), 9);
    expect(doubt).toBeCloseTo(Math.abs(Math.log(all / equal)) / 2, 9);
  });

  it('the periodic border lies within twice that doubt at most speeds', () => {
    let inside = 0;
    const speeds = [900, 1300, 1700, 2300, 3100, 4100];
    for (const rpm of speeds) {
      const { depthMm, doubt } = borderInDoubt(slot, responseGrid(TIP, longestDelay(slot, rpm)), rpm);
      const periodic = limitDepth(slot, TIP, rpm, { mostMm: 30, tolerance: 0.005 }).depthMm!;
      if (Math.abs(Math.log(periodic / depthMm)) <= 2 * Math.hypot(doubt, 0.14)) inside++;
    }
    expect(inside).toBeGreaterThanOrEqual(5);
  });
});
