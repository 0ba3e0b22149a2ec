import type { Span } from './span.ts';

/** A tool holder; clamp stiffness is for a 12 mm shank, scaled with the shank actually gripped. */
export interface Holder {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly interfaces: readonly string[];
  readonly bore_diameter_mm: readonly [number, number];
  readonly gauge_length_mm: number;
  readonly body_diameter_mm: number;
  readonly nose_diameter_mm: number;
  readonly runout_at_3xd_um: Span;
  readonly clamp_translation_stiffness_n_um: Span;
  readonly clamp_rotation_stiffness_knm_rad: Span;
  readonly joint_damping_ratio: Span;
  readonly grip_torque_nm_at_12mm: readonly [number, number, number] | null;
  readonly axial_pull_out_resistance: string;
  readonly max_rpm: number;
  readonly coolant: readonly string[];
  readonly notes: string;
  readonly confidence: string;
}
