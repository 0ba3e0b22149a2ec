import { describe, expect, it } from 'vitest';
import { type GoldenCase, goldenCases } from '../../../golden/compare.ts';
import { cutOf, structureOf } from '../../../golden/stability.ts';
import { lobeChart } from './lobes.ts';
import { frequencyGrid, receptanceOf } from './tip-structure.ts';

const speeds = (c: GoldenCase): number[] => c.inputs['n_rpm'] as unknown as number[];
const withPoints = goldenCases('zoa').filter((c) => 'lobe_points' in c.expected);

describe('zero-order lobes, worked cases', () => {
  it.each(withPoints.map((c) => [c.id, c] as const))(
    '%s: the chart agrees with the limit at each speed',
    (_, c) => {
      const structure = structureOf(c);
      const all = [...structure.x, ...structure.y].map((m) => m.hz);
      const grid = frequencyGrid(0.4 * Math.min(...all), 4 * Math.max(...all), 0.5);
      const chart = lobeChart(cutOf(c), receptanceOf(structure.x, grid), receptanceOf(structure.y, grid), {
        fromRpm: 1500,
        toRpm: 14000,
        columns: 2501,
      });
      speeds(c).forEach((rpm, i) => {
        const at = Math.round(((rpm - 1500) / 12500) * 2500);
        if (rpm < 1500 || rpm > 14000) return;
        const wanted = (c.expected['ap_limit_mm'] as number[])[i]!;
        expect(chart.depthMm[at]! / wanted).toBeGreaterThan(0.99);
        expect(chart.depthMm[at]! / wanted).toBeLessThan(1.01);
      });
    },
  );
});
