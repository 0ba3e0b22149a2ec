import type { Holder } from '../domain/holder.ts';
import type { Machine } from '../domain/machine.ts';

/** Gauge length of the bare holder the machine's modes were stated at, mm. */
export function bareGaugeLength(spindleInterface: string): number {
  if (/^(BT30|R8|HSK-F63)/.test(spindleInterface)) return 40;
  return spindleInterface === 'HSK-A100' ? 60 : 50;
}

/** Compliance at a point of the tool, mm/N, by who gives way. */
export interface SupportCompliance {
  readonly clamp: number;
  readonly holderBody: number;
  readonly spindle: number;
}

/**
 * What gives way behind the tool under a side force acting `leverMm` in front of the holder's nose.
 * Clamp: translation and rotation spring scaled with the shank; holder body: cantilever beyond the bare gauge length;
 * spindle: static sum of its modes, each moving as a rigid lever about its pivot.
 */
export function supportCompliance(
  machine: Machine,
  holder: Holder,
  shankMm: number,
  leverMm: number,
  axis: 'x' | 'y',
): SupportCompliance {
  const size = shankMm / 12;
  const translation = holder.clamp_translation_stiffness_n_um.typical * 1000 * size;
  const rotation = holder.clamp_rotation_stiffness_knm_rad.typical * 1e6 * size ** 2;
  const clamp = 1 / translation + leverMm ** 2 / rotation;

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
    spindle += 1 / (structure.residual_stiffness_n_um[axis] * 1000);
  }
  return { clamp, holderBody, spindle };
}
