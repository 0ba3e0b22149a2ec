import { describe, expect, it } from 'vitest';
import { disagreements, given, goldenCases } from '../../golden/compare.ts';
import { cornerMarks, cornerMarksExact, wallMarks, wiperCovers } from './feed-marks.ts';
import { scallopHeight, stepoverForScallop } from './scallop.ts';

const um = (mm: number): number => mm * 1000;

describe('surface, worked cases', () => {
  it.each(goldenCases('surf-turn').map((c) => [c.id, c] as const))('%s: round corner', (_, c) => {
    const [f, r] = [given(c, 'f_mm_rev'), given(c, 'r_nose_mm')];
    const parabola = cornerMarks(f, r);
    const exact = cornerMarksExact(f, r);
    const got = {
      Rz_parabola_um: um(parabola.rzMm),
      Ra_parabola_um: um(parabola.raMm),
      Rz_exact_um: um(exact.rzMm),
      Ra_exact_um: um(exact.raMm),
    };
    expect(disagreements(c, got)).toEqual([]);
  });

  it.each(goldenCases('surf-scallop').map((c) => [c.id, c] as const))('%s', (_, c) => {
    const got = {
      scallop_um: um(scallopHeight(given(c, 'stepover_mm'), given(c, 'R_mm'))),
      stepover_for_target_mm: stepoverForScallop(given(c, 'scallop_target_mm'), given(c, 'R_mm')),
    };
    expect(disagreements(c, got)).toEqual([]);
  });

  it.each(goldenCases('surf-wall').map((c) => [c.id, c] as const))('%s', (_, c) => {
    const fz = given(c, 'fz_mm');
    const direction = c.inputs['mode'] === 'up' ? 'conventional' : 'climb';
    const nm = 1e6 * wallMarks(fz, given(c, 'D_mm'), given(c, 'N'), fz, direction);
    expect(disagreements(c, { Rz_trochoid_formula_nm: nm, Rz_trochoid_nm: nm })).toEqual([]);
  });

  it.each(goldenCases('surf-facemill').map((c) => [c.id, c] as const))('%s', (_, c) => {
    const r = given(c, 'r_nose_mm');
    const got = {
      Rz_fz_um: um(cornerMarks(given(c, 'fz_mm'), r).rzMm),
      Rz_frev_um: um(cornerMarks(given(c, 'f_rev_mm'), r).rzMm),
      wiper_covers: wiperCovers(given(c, 'f_rev_mm'), given(c, 'wiper_flat_mm')),
    };
    expect(disagreements(c, got)).toEqual([]);
  });
});
