import { describe, expect, it } from 'vitest';
import { goldenCases } from '../../../golden/compare.ts';
import { cutOf, structureOf } from '../../../golden/stability.ts';
import { dominantMultiplier } from './periodic/dominant.ts';
import { freeModes } from './periodic/free-motion.ts';
import { limitDepth } from './periodic/limit-depth.ts';
import { periodMap } from './periodic/period-map.ts';
import { simulateCut } from './time-domain.ts';

/** Numbers between 0 and 1 that are the same every time. */
function seeded(seed: number): () => number {
  let s = seed;
  return () => (s = (Math.imul(1664525, s) + 1013904223) >>> 0) / 2 ** 32;
}

describe('the cut step by step', () => {
  it('agrees with the periodic solution at 97% of random cuts that are 5% off the border', () => {
    const next = seeded(11);
    const cases = ['sdm-bench-up-0.5', 'sdm-bench-down-0.5', 'sdm-2dof'].map((id) => goldenCases(id)[0]!);
    let [agreed, tried] = [0, 0];
    for (const c of cases) {
      const [cut, structure] = [cutOf(c), structureOf(c)];
      for (let speed = 0; speed < 20; speed++) {
        const rpm = 5000 + 13000 * next();
        const border = limitDepth(cut, structure, rpm).depthMm!;
        for (let point = 0; point < 5; point++) {
          const share = next() < 0.5 ? 0.5 + 0.45 * next() : 1.05 + 0.6 * next();
          const run = simulateCut(cut, structure, {
            rpm,
            depthMm: border * share,
            feedPerToothMm: 0.1,
            turns: 90,
          });
          // Above the first border there are islands of stability: the multiplier there, not the border, is the answer.
          const { size } = dominantMultiplier(periodMap(cut, freeModes(structure), rpm, border * share));
          tried++;
          if (run.stable === size < 1) agreed++;
        }
      }
    }
    expect(tried).toBe(300);
    expect(agreed / tried).toBeGreaterThanOrEqual(0.97);
  });

  it('chatter ends where teeth leave the cut, and leaves a wavy wall', () => {
    const c = goldenCases('sdm-2dof')[0]!;
    const [cut, structure] = [cutOf(c), structureOf(c)];
    const border = limitDepth(cut, structure, 8000).depthMm!;
    const run = (share: number) =>
      simulateCut(cut, structure, { rpm: 8000, depthMm: border * share, feedPerToothMm: 0.1, turns: 120 });
    const [calm, wild] = [run(0.7), run(1.8)];
    const spread = (a: readonly number[]): number => Math.max(...a.slice(-20)) - Math.min(...a.slice(-20));
    expect(spread(calm.onceX)).toBeLessThan(0.001);
    expect(spread(wild.onceX)).toBeGreaterThan(0.02);
    const rough = (r: typeof calm): number =>
      Math.max(...r.surface.map((p) => p.heightMm)) - Math.min(...r.surface.map((p) => p.heightMm));
    expect(rough(wild)).toBeGreaterThan(10 * rough(calm));
    expect(Math.max(...wild.xMm.map(Math.abs))).toBeLessThan(5);
  });
});
