import { firstIndex } from '../../../numerics/first-index.ts';
import { minutesAlong, type SurfaceSpeed } from '../../../physics/turning/surface-speed.ts';
import { type Contour, contourOf, radiusAt } from './contour.ts';
import type { TurnedProfile } from './turned-profile.ts';

const PLACES = 400;
const known = new WeakMap<Contour, Float64Array>();

/** Radii along a contour, sorted; the same for the same contour. */
function sortedRadii(contour: Contour): Float64Array {
  const length = contour.at(-1)!.z;
  const radii =
    known.get(contour) ??
    Float64Array.from({ length: PLACES }, (_, i) => radiusAt(contour, ((i + 0.5) / PLACES) * length)).sort();
  known.set(contour, radii);
  return radii;
}

/** How much of the profile lies deeper than a radius, mm along the axis: so far a pass at that radius cuts. */
export function lengthDeeperThan(profile: TurnedProfile, inside: boolean, radiusMm: number): number {
  const contour = contourOf(profile, inside);
  const [radii, length] = [sortedRadii(contour), contour.at(-1)!.z];
  const smaller = firstIndex(radii.length, (i) => radii[i]! >= radiusMm - 1e-9);
  return ((inside ? radii.length - smaller : smaller) / radii.length) * length;
}

/** Minutes of one pass along the profile; cones and arcs by their pieces, at their middle. */
export function minutesAlongContour(contour: Contour, set: SurfaceSpeed, feedMm: number): number {
  let minutes = 0;
  for (let i = 1; i < contour.length; i++) {
    const [a, b] = [contour[i - 1]!, contour[i]!];
    const path = Math.hypot(b.z - a.z, b.r - a.r);
    const pieces = Math.max(1, Math.min(8, Math.ceil(Math.abs(b.r - a.r))));
    for (let k = 0; k < pieces; k++)
      minutes += minutesAlong(set, 2 * (a.r + ((b.r - a.r) * (k + 0.5)) / pieces), path / pieces, feedMm);
  }
  return minutes;
}
