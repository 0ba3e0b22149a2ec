import { cornerMarks, cornerMarksExact, wallMarks, wiperCovers } from '../../src/physics/surface/feed-marks.ts';
import { scallopHeight, stepoverForScallop } from '../../src/physics/surface/scallop.ts';
import { given, type GoldenCase } from '../compare.ts';
import { type Answers, has } from './answer.ts';

const UM = 1000;

export function surface(c: GoldenCase): Answers | null {
  if (has(c, 'f_mm_rev', 'r_nose_mm')) {
    const [parabola, exact] = [cornerMarks, cornerMarksExact].map((f) => f(given(c, 'f_mm_rev'), given(c, 'r_nose_mm')));
    return {
      Rz_parabola_um: UM * parabola!.rzMm,
      Ra_parabola_um: UM * parabola!.raMm,
      Rz_exact_um: UM * exact!.rzMm,
      Ra_exact_um: UM * exact!.raMm,
    };
  }
  if (has(c, 'stepover_mm')) {
    return {
      scallop_um: UM * scallopHeight(given(c, 'stepover_mm'), given(c, 'R_mm')),
      stepover_for_target_mm: stepoverForScallop(given(c, 'scallop_target_mm'), given(c, 'R_mm')),
    };
  }
  if (has(c, 'wiper_flat_mm')) {
    const r = given(c, 'r_nose_mm');
    return {
      Rz_fz_um: UM * cornerMarks(given(c, 'fz_mm'), r).rzMm,
      Rz_frev_um: UM * cornerMarks(given(c, 'f_rev_mm'), r).rzMm,
      wiper_covers: wiperCovers(given(c, 'f_rev_mm'), given(c, 'wiper_flat_mm')),
    };
  }
  if (!has(c, 'fz_mm', 'D_mm', 'mode')) return null;
  const [fz, d] = [given(c, 'fz_mm'), given(c, 'D_mm')];
  const direction = (c.inputs['mode'] as unknown) === 'up' ? 'conventional' : 'climb';
  const nm = 1e6 * wallMarks(fz, d, given(c, 'N'), fz, direction);
  return { Rz_circle_nm: (1e6 * fz * fz) / (4 * d), Rz_trochoid_formula_nm: nm, Rz_trochoid_nm: nm };
}
