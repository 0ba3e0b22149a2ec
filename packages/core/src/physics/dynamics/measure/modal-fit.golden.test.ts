import { describe, expect, it } from 'vitest';
import { given, type GoldenCase, goldenCases } from '../../../../golden/compare.ts';
import { frequencyGrid, receptanceOf } from '../tip-structure.ts';
import { fitModes } from './modal-fit.ts';

const responseOf = (c: GoldenCase) => ({
  hz: Float64Array.from(
    { length: given(c, 'n_points') },
    (_, i) => given(c, 'f_start_Hz') + i * given(c, 'f_step_Hz'),
  ),
  re: Float64Array.from(c.inputs['H_re_m_per_N'] as unknown as number[]),
  im: Float64Array.from(c.inputs['H_im_m_per_N'] as unknown as number[]),
});

describe('modal fit, worked cases', () => {
  it.each(goldenCases('modal-fit').map((c) => [c.id, c] as const))(
    '%s: as many modes as there are',
    (_, c) => {
      const { modes, misfit } = fitModes(responseOf(c));
      expect(modes).toHaveLength(given(c, 'n_modes'));
      expect(misfit).toBeLessThan(0.2);
    },
  );

  it('finds a mode without noise, and no second one', () => {
    const hidden = { hz: 812.3, damping: 0.031, stiffness: 1.7e7 };
    const { modes } = fitModes(receptanceOf([hidden], frequencyGrid(200, 2000, 2)));
    expect(modes).toHaveLength(1);
    expect(modes[0]!.hz / hidden.hz).toBeCloseTo(1, 4);
    expect(modes[0]!.stiffness / hidden.stiffness).toBeCloseTo(1, 3);
  });

  it('refuses lines that do not rise, and too few of them', () => {
    const g = receptanceOf([{ hz: 800, damping: 0.03, stiffness: 1e7 }], frequencyGrid(200, 2000, 5));
    const swapped = { ...g, hz: g.hz.map((f, i) => (i === 7 ? 10 : f)) };
    expect(() => fitModes(swapped)).toThrow(/line 8/);
    expect(() => fitModes(g, { fromHz: 300, toHz: 340 })).toThrow(/at least 12 lines/);
  });
});
