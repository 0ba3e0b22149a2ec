import { requirePositive, requireWithin } from '../../units/input-error.ts';

/** Arc of contact; angles from the normal to the feed, in the direction of rotation, rad. */
export interface Immersion {
  readonly entry: number;
  readonly exit: number;
}

/** Width of the engagement angle, rad, for a cutter of `diameter` cutting `radial` wide. Throws on radial > diameter. */
export function engagementAngle(radialMm: number, diameterMm: number): number {
  requirePositive('diameter', diameterMm);
  requireWithin('radial depth', radialMm, 0, diameterMm);
  return Math.acos(1 - (2 * radialMm) / diameterMm);
}

/** Immersion of side milling: climb ends at the wall (180°), conventional begins there (0°). Tlusty 2000. */
export function immersion(
  radialMm: number,
  diameterMm: number,
  direction: 'climb' | 'conventional',
): Immersion {
  const arc = engagementAngle(radialMm, diameterMm);
  return direction === 'climb' ? { entry: Math.PI - arc, exit: Math.PI } : { entry: 0, exit: arc };
}
