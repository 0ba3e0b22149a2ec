import { describe, expect, it } from 'vitest';
import { disagreements, given, type GoldenCase, goldenCases } from '../../../golden/compare.ts';
import { cutOf, structureOf } from '../../../golden/stability.ts';
import { dominantMultiplier } from './dominant.ts';
import { freeModes } from './free-motion.ts';
import { heardFrequency } from './heard-frequency.ts';
import { limitDepth } from './limit-depth.ts';
import { periodMap } from './period-map.ts';

const withPoints = goldenCases('sdm').filter((c) => 'mu_max' in c.expected);

describe('multiplier of a milling cut, worked cases', () => {
  it.each(withPoints.map((c) => [c.id, c] as const))('%s', (_, c: GoldenCase) => {
    const points = c.inputs['points_n_rpm_ap_mm'] as unknown as [number, number][];
    const modes = freeModes(structureOf(c));
    const found = points.map(([rpm, depth]) => dominantMultiplier(periodMap(cutOf(c), modes, rpm, depth)));
    const close = { ...c, tolerance: { ...c.tolerance, rel: 1e-3 } } as GoldenCase;
    expect(disagreements(close, { mu_max: found.map((f) => f.size) })).toEqual([]);
    const stable = c.expected['stable'] as unknown as (boolean | null)[];
    stable.forEach((s, i) => s !== null && expect(found[i]!.size < 1).toBe(s));
    expect(disagreements(c, { arg_deg: found.map((f) => (f.angle * 180) / Math.PI) })).toEqual([]);
  });
});

const limits = (c: GoldenCase, dampingNPerM = 0, mostMm = 60): (number | null)[] =>
  (c.inputs['n_rpm'] as unknown as number[]).map(
    (rpm) => limitDepth({ ...cutOf(c), dampingNPerM }, structureOf(c), rpm, { mostMm }).depthMm,
  );

describe('limit depth of a milling cut, worked cases', () => {
  it.each(goldenCases('sdm-limit').map((c) => [c.id, c] as const))('%s', (_, c: GoldenCase) => {
    const expected = c.expected['ap_limit_mm'] as (number | null)[];
    limits(c, 0, given(c, 'ap_scan_max_mm')).forEach((found, i) => {
      const wanted = expected[i]!;
      if (wanted === null) expect(found).toBeNull();
      else expect(found! / wanted, `speed ${i}`).toBeCloseTo(1, 2.3);
    });
    const kinds = c.expected['type'] as unknown as (string | null)[];
    (c.inputs['n_rpm'] as unknown as number[]).forEach((rpm, i) => {
      const { kind } = limitDepth(cutOf(c), structureOf(c), rpm, { mostMm: given(c, 'ap_scan_max_mm') });
      if (kinds[i] === 'flip' || kinds[i] === 'hopf') expect(kind).toBe(kinds[i]);
    });
  });

  it('two directions that give way', () => {
    const [c] = goldenCases('sdm-2dof-limit');
    expect(disagreements(c!, { ap_limit_mm: limits(c!) as number[] })).toEqual([]);
  });

  it('process damping, where the averaged cut is a third too hopeful', () => {
    const [c] = goldenCases('pd-milling');
    expect(
      disagreements(c!, {
        ap_limit_periodic_no_pd_mm: limits(c!) as number[],
        ap_limit_periodic_pd_mm: limits(c!, given(c!, 'Kd_N_per_m')) as number[],
      }),
    ).toEqual([]);
  });

  it('the speed a heard frequency points to is better than the one it was heard at', () => {
    const [c] = goldenCases('chatter-speed-rule');
    const depth = given(c!, 'ap_test_mm');
    const test = given(c!, 'n_test_rpm');
    const structure = structureOf(c!);
    const at = limitDepth(cutOf(c!), structure, test);
    const modes = freeModes(structure);
    const map = periodMap(cutOf(c!), modes, test, depth);
    const heard = heardFrequency(map, dominantMultiplier(map), structure);
    const rule = [0, 1, 2, 3].map((k) => (60 * heard) / (given(c!, 'N') * (k + 1)));
    expect(
      disagreements(c!, {
        ap_limit_at_test_mm: at.depthMm ?? NaN,
        fc_Hz: heard,
        n_rule_rpm: rule,
        ap_limit_at_rule_speed_mm: rule
          .slice(0, 3)
          .map((rpm) => limitDepth(cutOf(c!), structure, rpm).depthMm ?? NaN),
      }),
    ).toEqual([]);
  });
});
