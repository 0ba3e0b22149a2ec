import { describe, expect, it } from 'vitest';
import { disagreements, given, goldenCases } from '../../golden/compare.ts';
import { oblique, obliqueCoefficients, orthogonalDataFor, TITANIUM_6AL_4V } from './oblique.ts';

const DEG = 180 / Math.PI;

describe('orthogonal data through the oblique transform', () => {
  it.each(['oblique-1', 'oblique-2', 'oblique-3'].flatMap((id) => goldenCases(id)))('$id', (c) => {
    const rake = given(c, 'alpha_n_deg');
    const r = oblique(TITANIUM_6AL_4V, given(c, 'h_mm'), rake, given(c, 'helix_inclination_deg'));
    expect(
      disagreements(c, {
        rc: r.chipRatio,
        phi_n_deg: r.shearAngle * DEG,
        beta_a_deg: TITANIUM_6AL_4V.frictionAngleDeg(rake),
        beta_n_deg: r.normalFrictionAngle * DEG,
        Ktc_MPa: r.Ktc,
        Krc_MPa: r.Krc,
        Kac_MPa: r.Kac,
      }),
    ).toEqual([]);
  });

  it.each(goldenCases('oblique-average'))('$id', (c) => {
    const chips = c.inputs['h_list_mm'] as unknown as number[];
    const all = chips.map((h) =>
      obliqueCoefficients(TITANIUM_6AL_4V, h, given(c, 'alpha_n_deg'), given(c, 'helix_inclination_deg')),
    );
    const average = (key: 'Ktc' | 'Krc' | 'Kac' | 'Kte' | 'Kre' | 'Kae'): number =>
      all.reduce((sum, k) => sum + k[key], 0) / all.length;
    expect(
      disagreements(c, {
        Ktc_MPa: average('Ktc'),
        Krc_MPa: average('Krc'),
        Kac_MPa: average('Kac'),
        Kte_N_mm: average('Kte'),
        Kre_N_mm: average('Kre'),
        Kae_N_mm: average('Kae'),
      }),
    ).toEqual([]);
  });

  it('lends no alloy another alloy’s data', () => {
    expect(() => orthogonalDataFor('718-aged')).toThrow(/Ti-6Al-4V only/);
    expect(orthogonalDataFor('ti-6al-4v-sta')).toBe(TITANIUM_6AL_4V);
  });
});
