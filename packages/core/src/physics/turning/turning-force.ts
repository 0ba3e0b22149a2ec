import type { NoseChip } from './nose-chip.ts';

export interface TurningForces {
  /** Along the cutting speed, N. */
  readonly cuttingN: number;
  /** Along the feed, N. */
  readonly feedN: number;
  /** Across the part, off the surface being made, N. */
  readonly passiveN: number;
}

/**
 * Forces of one edge by Kienzle on the equivalent chip: Fc = kc1.1·b·h^(1−mc); feed and passive force share what stands across the
 * engaged edge, by where the chip leaves. `normalRatio` is that force over the cutting force.
 */
export function turningForces(
  { kc11, mc, normalRatio }: { readonly kc11: number; readonly mc: number; readonly normalRatio: number },
  { edgeMm, equivalentMm, flowLeadDeg }: Pick<NoseChip, 'edgeMm' | 'equivalentMm' | 'flowLeadDeg'>,
): TurningForces {
  const cuttingN = kc11 * edgeMm * equivalentMm ** (1 - mc);
  const normal = normalRatio * cuttingN;
  const lead = (flowLeadDeg * Math.PI) / 180;
  return { cuttingN, feedN: normal * Math.sin(lead), passiveN: normal * Math.abs(Math.cos(lead)) };
}

/** Power at the edge, kW, of a cutting force (N) at a speed (m/min). */
export const cuttingPower = (cuttingN: number, speedMMin: number): number => (cuttingN * speedMMin) / 60_000;

/** Torque about the axis, N·m, of a cutting force (N) at a diameter (mm). */
export const cuttingTorque = (cuttingN: number, diameterMm: number): number => (cuttingN * diameterMm) / 2000;
