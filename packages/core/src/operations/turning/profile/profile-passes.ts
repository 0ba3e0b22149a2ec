import { minutesAlong, type SurfaceSpeed } from '../../../physics/turning/surface-speed.ts';
import { type ContourPoint, contourOf, radiusAt } from './contour.ts';
import type { TurnedProfile } from './turned-profile.ts';

const PLACES = 400;
const known = new WeakMap<TurnedProfile, { inside: boolean; radii: Float64Array; length: number }>();

/** Radii along the profile, sorted. */
function sortedRadii(profile: TurnedProfile, inside: boolean) {
  const had = known.get(profile);
  if (had?.inside === inside) return had;
  const contour = contourOf(profile, inside);
  const length = contour.at(-1)!.z;
  const radii = Float64Array.from({ length: PLACES }, (_, i) =>
    radiusAt(contour, ((i + 0.5) / PLACES) * length),
  ).sort();
  const made = { inside, radii, length };
  known.set(profile, made);
  return made;
}

/** How much of the profile lies deeper than a radius, mm along the axis: so far a pass at that radius cuts. */
export function lengthDeeperThan(profile: TurnedProfile, inside: boolean, radiusMm: number): number {
  const { radii, length } = sortedRadii(profile, inside);
  let [low, high] = [0, radii.length];
  while (low < high) {
    const mid = (low + high) >> 1;
    if (radii[mid]! < radiusMm - 1e-9) low = mid + 1;
    else high = mid;
  }
  return ((inside ? radii.length - low : low) / radii.length) * length;
}

/** Minutes of one pass along the profile; cones and arcs by their pieces, at their middle. */
export function minutesAlongContour(
  contour: readonly ContourPoint[],
  set: SurfaceSpeed,
  feedMm: number,
): number {
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
