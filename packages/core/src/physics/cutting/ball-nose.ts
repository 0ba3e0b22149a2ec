import { requireWithin } from '../../units/input-error.ts';

/** Diameter where a ball nose meets the top of the cut, mm, at a tilt of the axis (rad): D·sin(tilt + acos(1 − 2ap/D)). */
export function ballEffectiveDiameter(axialDepthMm: number, diameterMm: number, tilt = 0): number {
  requireWithin('axial depth', axialDepthMm, 0, diameterMm / 2);
  const angle = tilt + Math.acos(1 - (2 * axialDepthMm) / diameterMm);
  return angle >= Math.PI / 2 ? diameterMm : diameterMm * Math.sin(angle);
}
