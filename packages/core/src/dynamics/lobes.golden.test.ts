import { describe, expect, it } from 'vitest';
import { disagreements, given, type GoldenCase, goldenCases } from '../../golden/compare.ts';
import { cutOf, structureOf } from '../../golden/stability.ts';
import { meanDirection } from './chatter-cut.ts';
import { chatterRange, limitAtSpeed, responseOf } from './fixed-speed.ts';
import { lobeChart, lobePointsAt } from './lobes.ts';
import { frequencyGrid, receptanceAt, receptanceOf, readReceptance } from './tip-structure.ts';

const speeds = (c: GoldenCase): number[] => c.inputs['n_rpm'] as unknown as number[];
const withPoints = goldenCases('zoa').filter((c) => 'lobe_points' in c.expected);

describe('zero-order lobes, worked cases', () => {
  it.each(withPoints.map((c) => [c.id, c] as const))('%s: limit at each speed', (_, c) => {
    const structure = structureOf(c);
    const found = speeds(c).map((rpm) =>
      limitAtSpeed(cutOf(c), responseOf(structure), rpm, chatterRange(structure)),
    );
    expect(
      disagreements(c, {
        ap_limit_mm: found.map((f) => f.depthMm ?? NaN),
        fc_at_limit_Hz: found.map((f) => f.hz ?? NaN),
      }),
    ).toEqual([]);
  });

  it.each(withPoints.map((c) => [c.id, c] as const))('%s: every lobe point and the least depth', (_, c) => {
    const structure = structureOf(c);
    interface Point {
      fc_Hz: number;
      k: number;
      n_rpm: number;
      ap_mm: number;
    }
    const expected = c.expected['lobe_points'] as unknown as Point[];
    for (const p of expected) {
      const mine = lobePointsAt(
        cutOf(c),
        p.fc_Hz,
        receptanceAt(structure.x, p.fc_Hz),
        receptanceAt(structure.y, p.fc_Hz),
        3,
      );
      const near = mine.filter((m) => m.lobe === p.k && Math.abs(m.depthMm / p.ap_mm - 1) < 1e-6);
      expect(near.some((m) => Math.abs(m.rpm / p.n_rpm - 1) < 1e-6)).toBe(true);
    }
    const all = [...structure.x, ...structure.y].map((m) => m.hz);
    const grid = frequencyGrid(0.4 * Math.min(...all), 4 * Math.max(...all), 0.5);
    const chart = lobeChart(cutOf(c), receptanceOf(structure.x, grid), receptanceOf(structure.y, grid), {
      fromRpm: 1500,
      toRpm: 14000,
      columns: 2501,
    });
    expect(disagreements(c, { ap_min_absolute_mm: chart.leastDepthMm, fc_at_min_Hz: chart.leastHz })).toEqual(
      [],
    );
    speeds(c).forEach((rpm, i) => {
      const at = Math.round(((rpm - 1500) / 12500) * 2500);
      if (rpm < 1500 || rpm > 14000) return;
      const wanted = (c.expected['ap_limit_mm'] as number[])[i]!;
      expect(chart.depthMm[at]! / wanted).toBeGreaterThan(0.99);
      expect(chart.depthMm[at]! / wanted).toBeLessThan(1.01);
    });
  });

  it('a single mode has its least depth in closed form', () => {
    const [c] = goldenCases('zoa-sdof-analytic-min');
    const structure = structureOf(c!);
    const grid = frequencyGrid(200, 3000, 0.2);
    const chart = lobeChart(cutOf(c!), receptanceOf(structure.x, grid), receptanceOf(structure.y, grid), {
      fromRpm: 1000,
      toRpm: 9000,
    });
    expect(
      disagreements(c!, {
        a_yy_MPa: -meanDirection(cutOf(c!))[3] / 1e6,
        ap_min_mm: chart.leastDepthMm,
        fc_Hz: chart.leastHz,
      }),
    ).toEqual([]);
  });

  it('reads a measured response as it is', () => {
    const [c] = goldenCases('zoa-measured-frf');
    const list = (key: string): Float64Array => Float64Array.from(c!.inputs[key] as unknown as number[]);
    const [start, step] = [given(c!, 'f_start_Hz'), given(c!, 'f_step_Hz')];
    const hz = frequencyGrid(start, start + step * (given(c!, 'n_points') - 1), step);
    const x = { hz, re: list('Gxx_re_m_per_N'), im: list('Gxx_im_m_per_N') };
    const y = { hz, re: list('Gyy_re_m_per_N'), im: list('Gyy_im_m_per_N') };
    const range = { fromHz: hz[0]!, toHz: hz.at(-1)!, share: 0.001, perTurnOfPhase: 40 };
    const limits = speeds(c!).map(
      (rpm) =>
        limitAtSpeed(cutOf(c!), (f) => ({ xx: readReceptance(x, f), yy: readReceptance(y, f) }), rpm, range)
          .depthMm ?? NaN,
    );
    expect(disagreements(c!, { ap_limit_mm: limits, ap_limit_linear_interp_mm: limits })).toEqual([]);
  });

  it('unequal pitch shifts the waves of the teeth against each other', () => {
    const [c] = goldenCases('zoa-variable-pitch');
    const structure = structureOf(c!);
    const limits = (cut: ReturnType<typeof cutOf>): number[] =>
      speeds(c!).map(
        (rpm) => limitAtSpeed(cut, responseOf(structure), rpm, chatterRange(structure)).depthMm ?? NaN,
      );
    const cut = cutOf(c!);
    const equal = { ...cut, pitch: cut.pitch.map(() => (2 * Math.PI) / cut.pitch.length) };
    expect(disagreements(c!, { ap_limit_mm: limits(cut), ap_limit_uniform_mm: limits(equal) })).toEqual([]);
  });

  it('process damping lifts the border of the averaged cut, most at low speed', () => {
    const [c] = goldenCases('pd-milling');
    const structure = structureOf(c!);
    const limits = (dampingNPerM: number): number[] =>
      speeds(c!).map(
        (rpm) =>
          limitAtSpeed({ ...cutOf(c!), dampingNPerM }, responseOf(structure), rpm, chatterRange(structure))
            .depthMm ?? NaN,
      );
    expect(
      disagreements(c!, {
        ap_limit_zero_order_no_pd_mm: limits(0),
        ap_limit_zero_order_pd_mm: limits(given(c!, 'Kd_N_per_m')),
      }),
    ).toEqual([]);
  });
});
