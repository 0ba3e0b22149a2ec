import { requirePositive } from '../../units/input-error.ts';

/** One mode of what gives way: tool or part, across the surface being made. */
export interface TurningMode {
  readonly stiffnessNMm: number;
  readonly dampingRatio: number;
  readonly naturalHz: number;
}

/**
 * Chip width below which no spindle speed chatters, mm, and the frequency at which the widest does. One mode, orthogonal, regenerative:
 * b = 2·k·ζ·(1+ζ)/Kf. Tlusty & Poláček 1963; Altintas, Manufacturing Automation.
 */
export function leastChipWidth(
  { stiffnessNMm, dampingRatio, naturalHz }: TurningMode,
  cuttingStiffnessMPa: number,
): { readonly widthMm: number; readonly hz: number } {
  requirePositive('cutting stiffness', cuttingStiffnessMPa);
  return {
    widthMm: (2 * stiffnessNMm * dampingRatio * (1 + dampingRatio)) / cuttingStiffnessMPa,
    hz: naturalHz * Math.sqrt(1 + 2 * dampingRatio),
  };
}
