import { describe, expect, it } from 'vitest';
import { disagreements, given, type GoldenCase, goldenCases } from '../../../../golden/compare.ts';
import { cutOf, structureOf } from '../../../../golden/stability.ts';
import { dominantMultiplier } from './dominant.ts';
import { freeModes } from './free-motion.ts';
import { limitDepth } from './limit-depth.ts';
import { periodMap } from './period-map.ts';

const withPoints = goldenCases('sdm').filter((c) => 'mu_max' in c.expected);

describe('multiplier of a milling cut, closer than the worked cases ask', () => {
  it.each(withPoints.map((c) => [c.id, c] as const))('%s', (_, c: GoldenCase) => {
    const points = c.inputs['points_n_rpm_ap_mm'] as unknown as [number, number][];
    const modes = freeModes(structureOf(c));
    const found = points.map(([rpm, depth]) => dominantMultiplier(periodMap(cutOf(c), modes, rpm, depth)));
    const close = { ...c, tolerance: { ...c.tolerance, rel: 1e-3 } } as GoldenCase;
    expect(disagreements(close, { mu_max: found.map((f) => f.size) })).toEqual([]);
  });
});

describe('stability limit of a milling cut, closer than the worked cases ask', () => {
  it.each(goldenCases('sdm-limit').map((c) => [c.id, c] as const))('%s', (_, c: GoldenCase) => {
    const expected = c.expected['ap_limit_mm'] as (number | null)[];
    const kinds = c.expected['type'] as unknown as (string | null)[];
    (c.inputs['n_rpm'] as unknown as number[]).forEach((rpm, i) => {
      const { depthMm, kind } = limitDepth(cutOf(c), structureOf(c), rpm, {
        mostMm: given(c, 'ap_scan_max_mm'),
      });
      const wanted = expected[i]!;
      if (wanted === null) expect(depthMm).toBeNull();
      else expect(depthMm! / wanted, `speed ${i}`).toBeCloseTo(1, 2.3);
      if (kinds[i] === 'flip' || kinds[i] === 'hopf') expect(kind).toBe(kinds[i]);
    });
  });
});
