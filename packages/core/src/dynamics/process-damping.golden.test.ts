import { describe, expect, it } from 'vitest';
import { disagreements, given, goldenCases } from '../../golden/compare.ts';
import { dampingOfLand, turningLimit, unconditionalSpeed } from './process-damping.ts';

describe('process damping of a straight edge', () => {
  const [c] = goldenCases('pd-turning');
  const mode = { hz: given(c!, 'fn_Hz'), damping: given(c!, 'zeta'), stiffness: given(c!, 'k_N_per_m') };
  const cut = { kfNMm2: given(c!, 'Kf_MPa'), diameterMm: given(c!, 'D_mm') };
  const kd = given(c!, 'Kd_N_per_m');

  it('lifts the limit at low speed as in the worked case', () => {
    const speeds = c!.inputs['n_rpm'] as unknown as number[];
    expect(
      disagreements(c!, {
        b_limit_no_pd_mm: speeds.map((rpm) => turningLimit(mode, cut, rpm).widthMm),
        v_unconditional_m_min: unconditionalSpeed(mode, cut.kfNMm2, kd),
      }),
    ).toEqual([]);
    const wanted = c!.expected['b_limit_pd_mm'] as unknown as (number | null)[];
    speeds.forEach((rpm, i) => {
      const { widthMm } = turningLimit(mode, { ...cut, dampingNPerM: kd }, rpm);
      if (wanted[i] === null) expect(widthMm).toBe(Infinity);
      else expect(widthMm / wanted[i]!).toBeCloseTo(1, 2.3);
    });
  });

  it('grows with the square of the wear land', () => {
    expect(dampingOfLand(25e12, 0.06)).toBeCloseTo(45000, 6);
    expect(dampingOfLand(25e12, 0.12)).toBeCloseTo(180000, 6);
  });

  it('refuses a speed of nothing', () => {
    expect(() => turningLimit(mode, cut, 0)).toThrow(/spindle speed/);
  });
});
