import { firstIndex } from '../../../numerics/first-index.ts';
import type { ProfileElement, TurnedProfile } from './turned-profile.ts';

/** A point of a contour: along the axis from the free end, and from the axis, mm. */
export interface ContourPoint {
  readonly z: number;
  readonly r: number;
}

export type Contour = readonly ContourPoint[];

/** Turn between two points of a drawn arc, rad. */
const ARC_STEP = 0.06;

/** An arc through two points; null where its radius does not reach or it would go back along the axis. */
export function arcBetween(
  a: ContourPoint,
  b: ContourPoint,
  { radiusMm, side }: Pick<ProfileElement, 'radiusMm' | 'side'>,
  inside: boolean,
): readonly ContourPoint[] | null {
  const radius = radiusMm ?? 0;
  const [dz, dr] = [b.z - a.z, b.r - a.r];
  const half = Math.hypot(dz, dr) / 2;
  if (!(dz > 0) || !(radius >= half * (1 - 1e-9))) return null;
  const high = Math.sqrt(Math.max(0, radius ** 2 - half ** 2)) / (2 * half);
  // The centre of an arc that bulges lies on the side of the material.
  const to = (side === 'bulging') !== inside ? 1 : -1;
  const centre = { z: (a.z + b.z) / 2 + to * dr * high, r: (a.r + b.r) / 2 - to * dz * high };
  const from = Math.atan2(a.r - centre.r, a.z - centre.z);
  let turn = Math.atan2(b.r - centre.r, b.z - centre.z) - from;
  if (turn > Math.PI) turn -= 2 * Math.PI;
  if (turn < -Math.PI) turn += 2 * Math.PI;
  const steps = Math.min(96, Math.max(3, Math.ceil(Math.abs(turn) / ARC_STEP)));
  const points: ContourPoint[] = [];
  for (let i = 1; i < steps; i++) {
    const angle = from + (turn * i) / steps;
    points.push({ z: centre.z + radius * Math.cos(angle), r: centre.r + radius * Math.sin(angle) });
  }
  points.push(b);
  const slack = 1e-6 * radius;
  return points.every((p, i) => p.z >= (points[i - 1] ?? a).z - slack) ? points : null;
}

const known = {
  outside: new WeakMap<TurnedProfile, Contour>(),
  inside: new WeakMap<TurnedProfile, Contour>(),
};

/** The profile as points from the free end towards the jaws; an arc that cannot be is a straight line. The same for the same profile. */
export function contourOf(profile: TurnedProfile, inside: boolean): Contour {
  const kept = known[inside ? 'inside' : 'outside'];
  const made = kept.get(profile) ?? walk(profile, inside);
  kept.set(profile, made);
  return made;
}

function walk({ startMm, elements }: TurnedProfile, inside: boolean): readonly ContourPoint[] {
  const [first] = elements;
  let at: ContourPoint = { z: 0, r: (first?.kind === 'step' ? first.toMm : startMm) / 2 };
  const points = [at];
  for (const e of elements) {
    const end = { z: at.z + e.lengthMm, r: e.toMm / 2 };
    if (e.kind === 'step' && e.toMm / 2 !== at.r) points.push({ z: at.z, r: end.r });
    if (e.lengthMm > 0 || e.kind !== 'step')
      points.push(...((e.kind === 'arc' && arcBetween(at, end, e, inside)) || [end]));
    at = end;
  }
  return points;
}

/** What of a profile the rest of an operation says: its ends and its length, mm. */
export function profileSizes(profile: TurnedProfile, inside: boolean) {
  const contour = contourOf(profile, inside);
  const radii = contour.map((p) => p.r);
  return {
    smallestMm: 2 * Math.min(...radii),
    largestMm: 2 * Math.max(...radii),
    lengthMm: contour.at(-1)!.z,
  };
}

/** Radius at a distance from the free end, mm: at a shoulder that nearer to the jaws. */
export function radiusAt(contour: readonly ContourPoint[], z: number): number {
  const last = contour.length - 1;
  if (z >= contour[last]!.z) return contour[last]!.r;
  const high = Math.max(
    1,
    firstIndex(last, (i) => contour[i]!.z > z),
  );
  const [a, b] = [contour[high - 1]!, contour[high]!];
  return b.z - a.z < 1e-12 ? b.r : a.r + ((b.r - a.r) * (z - a.z)) / (b.z - a.z);
}

/** Steepest the profile falls and rises towards the jaws, seen from the tool, degrees: a shoulder is 90. */
export function steepest(contour: readonly ContourPoint[], inside: boolean) {
  let [fallDeg, riseDeg] = [0, 0];
  for (let i = 1; i < contour.length; i++) {
    const [a, b] = [contour[i - 1]!, contour[i]!];
    const up = (inside ? -1 : 1) * (b.r - a.r);
    if (Math.abs(up) < 1e-9) continue;
    const slope = (Math.atan2(Math.abs(up), Math.max(0, b.z - a.z)) * 180) / Math.PI;
    if (up > 0) riseDeg = Math.max(riseDeg, slope);
    else fallDeg = Math.max(fallDeg, slope);
  }
  return { fallDeg, riseDeg };
}
