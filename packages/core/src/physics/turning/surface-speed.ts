import { requirePositive } from '../../units/input-error.ts';

/** Constant surface speed with a cap on the spindle. */
export interface SurfaceSpeed {
  readonly speedMMin: number;
  readonly capRpm: number;
}

/** Diameter at which the cap is reached, mm: below it the surface speed falls. */
export function diameterAtCap({ speedMMin, capRpm }: SurfaceSpeed): number {
  requirePositive('speed cap', capRpm);
  return (1000 * speedMMin) / (Math.PI * capRpm);
}

/** Spindle speed at a diameter (mm), rpm. */
export const spindleAt = ({ speedMMin, capRpm }: SurfaceSpeed, diameterMm: number): number =>
  diameterMm > 0 ? Math.min(capRpm, (1000 * speedMMin) / (Math.PI * diameterMm)) : capRpm;

/** Surface speed there, m/min. */
export const surfaceSpeedAt = (set: SurfaceSpeed, diameterMm: number): number =>
  (Math.PI * diameterMm * spindleAt(set, diameterMm)) / 1000;

/** Minutes of feeding along the axis at a diameter. */
export const minutesAlong = (
  set: SurfaceSpeed,
  diameterMm: number,
  lengthMm: number,
  feedMm: number,
): number => lengthMm / (feedMm * spindleAt(set, diameterMm));

/** Minutes of feeding across from one diameter to another, mm: the integral over the diameters, with the cap where it is reached. */
export function minutesAcross(set: SurfaceSpeed, fromMm: number, toMm: number, feedMm: number): number {
  requirePositive('feed per revolution', feedMm);
  const [small, large] = fromMm < toMm ? [fromMm, toMm] : [toMm, fromMm];
  const cap = diameterAtCap(set);
  const from = Math.max(small, Math.min(large, cap));
  const constant = (Math.PI * (large ** 2 - from ** 2)) / (4000 * set.speedMMin * feedMm);
  return constant + (from - small) / (2 * feedMm * set.capRpm);
}

/** Minutes of a plunge to the centre whose feed is reduced to a share below a diameter, mm. */
export function minutesToCentre(
  set: SurfaceSpeed,
  diameterMm: number,
  feedMm: number,
  reduced: { readonly belowMm: number; readonly share: number },
): number {
  const below = Math.min(diameterMm, reduced.belowMm);
  return minutesAcross(set, diameterMm, below, feedMm) + minutesAcross(set, below, 0, feedMm * reduced.share);
}
