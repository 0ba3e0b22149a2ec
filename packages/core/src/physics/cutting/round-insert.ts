import { requireWithin } from '../../units/input-error.ts';

/** Edge angle at the top of the cut for a round edge of circle `ic`, rad: cos κ = 1 − 2·ap/iC. */
export function roundEdgeAngle(axialDepthMm: number, insertCircleMm: number): number {
  requireWithin('axial depth', axialDepthMm, 0, insertCircleMm / 2);
  return Math.acos(1 - (2 * axialDepthMm) / insertCircleMm);
}

/** Chip averaged along a round edge at 90° of rotation, mm. */
export function roundMeanChip(feedPerToothMm: number, axialDepthMm: number, insertCircleMm: number): number {
  const angle = roundEdgeAngle(axialDepthMm, insertCircleMm);
  return (feedPerToothMm * (1 - Math.cos(angle))) / angle;
}

/** Diameter where a round-insert cutter meets the top of the cut, mm; `bottom` is the circle of lowest points. */
export const roundEffectiveDiameter = (
  axialDepthMm: number,
  insertCircleMm: number,
  bottomMm: number,
): number => bottomMm + Math.sqrt(insertCircleMm ** 2 - (insertCircleMm - 2 * axialDepthMm) ** 2);
