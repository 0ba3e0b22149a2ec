import { requireWithin } from '../../units/input-error.ts';

/** Edge angle at the top of a cut on a round edge, rad: cos κ = 1 − 2·ap/iC. Throws beyond half the circle. */
export function roundEdgeAngle(axialDepthMm: number, insertCircleMm: number): number {
  requireWithin('axial depth', axialDepthMm, 0, insertCircleMm / 2);
  return Math.acos(1 - (2 * axialDepthMm) / insertCircleMm);
}

/**
 * Diameter where a round edge meets the top of the cut, mm; `bottomMm` is the circle of its lowest points: none on a ball,
 * the flat of a cutter with a corner radius.
 */
export const roundEffectiveDiameter = (
  axialDepthMm: number,
  edgeCircleMm: number,
  bottomMm: number,
): number => bottomMm + Math.sqrt(edgeCircleMm ** 2 - (edgeCircleMm - 2 * axialDepthMm) ** 2);
