import type { Holder } from '../../crib/holder.ts';
import type { Machine } from '../../crib/machine.ts';

/** Gauge length of the bare holder the machine's modes were stated at, mm. */
export function bareGaugeLength(spindleInterface: string): number {
  if (/^(BT30|R8|HSK-F63)/.test(spindleInterface)) return 40;
  return spindleInterface === 'HSK-A100' ? 60 : 50;
}

/** Springs of the joint between holder and shank, N/m and N·m/rad. */
export interface ClampStiffness {
  readonly translation: number;
  readonly rotation: number;
}

/**
 * Joint of a shank in its holder. The crib states it at 12 mm; a shank gripped over three diameters on an elastic
 * foundation k′ has k_t = k′/2β and k_r = k′/4β³ with β falling as 1/D, so translation goes with D and rotation with D³.
 * Hetényi 1946.
 */
export function clampStiffness(holder: Holder, shankMm: number): ClampStiffness {
  const size = shankMm / 12;
  return {
    translation: holder.clamp_translation_stiffness_n_um.typical * 1e6 * size,
    rotation: holder.clamp_rotation_stiffness_knm_rad.typical * 1e3 * size ** 3,
  };
}

/** Rotation spring of a nose whose record states none, kN·m/rad: a 40 taper. */
const USUAL_NOSE_ROTATION = 1700;

/** What the taper gives in rotation beyond the spindle's modes, N·m/rad. */
export const noseRotation = (machine: Machine): number =>
  (machine.frf_at_bare_holder?.nose_rotation_stiffness_knm_rad ?? USUAL_NOSE_ROTATION) * 1e3;

/** Compliance at a point of the tool, mm/N, by who gives way. */
export interface SupportCompliance {
  readonly clamp: number;
  readonly holderBody: number;
  readonly spindle: number;
}

/**
 * What gives way behind the tool under a side force acting `leverMm` in front of the holder's nose.
 * Clamp: translation and rotation spring scaled with the shank; holder body: cantilever beyond the bare gauge length;
 * spindle: static sum of its modes, each moving as a rigid lever about its pivot, and the rotation of the taper.
 */
export function supportCompliance(
  machine: Machine,
  holder: Holder,
  shankMm: number,
  leverMm: number,
  axis: 'x' | 'y',
): SupportCompliance {
  const joint = clampStiffness(holder, shankMm);
  const clamp = 1000 / joint.translation + leverMm ** 2 / (1000 * joint.rotation);

  const body = Math.max(0, holder.gauge_length_mm - bareGaugeLength(machine.spindle_interface));
  const diameter = (holder.body_diameter_mm + holder.nose_diameter_mm) / 2;
  const ei = (207000 * Math.PI * diameter ** 4) / 64;
  const far = body + leverMm;
  const holderBody = (far ** 3 - leverMm ** 3) / (3 * ei);

  const structure = machine.frf_at_bare_holder;
  let spindle = 0;
  if (structure) {
    for (const mode of axis === 'x' ? structure.modes_x : structure.modes_y) {
      const lever = 1 + (mode.rotation_per_translation_rad_per_m * far) / 1000;
      spindle += lever ** 2 / (mode.stiffness_n_um * 1000);
    }
    spindle +=
      1 / (structure.residual_stiffness_n_um[axis] * 1000) + far ** 2 / (1000 * noseRotation(machine));
  }
  return { clamp, holderBody, spindle };
}
