import type { Cutter } from '../../../crib/cutter.ts';
import type { TurnedStretch } from '../turning-operation.ts';
import { type ContourPoint, contourOf, radiusAt } from './contour.ts';
import type { TurnedProfile } from './turned-profile.ts';

/** The edge as it goes along a profile: nose in mm, edges to the axis in degrees. */
export interface ProfilingEdge {
  readonly noseMm: number;
  /** Leading edge, towards the jaws: ISO 3002-1 κr. */
  readonly leadDeg: number;
  /** Trailing edge: as steeply it can follow a profile that falls. */
  readonly backDeg: number;
  /** Nobody states the point angle of this tool. */
  readonly assumed: boolean;
}

/** Point angle where a record has none, degrees. */
const USUAL_POINT = { turning_insert: 80, boring_bar: 55 } as const;

/** A grooving insert that is round across its whole width turns profiles sideways. */
export const isFullRadius = ({ type, properties: p }: Pick<Cutter, 'type' | 'properties'>): boolean =>
  type === 'grooving_insert' && (p.RE ?? 0) >= Number(p['CW'] ?? Infinity) / 2 - 0.01;

/** Edges of a turning tool as its record states them. */
export function profilingEdge(cutter: Cutter): ProfilingEdge {
  const { properties: p, type } = cutter;
  if (isFullRadius(cutter) || p['EPSR'] === 0)
    return { noseMm: p.RE ?? 1, leadDeg: 90, backDeg: 90, assumed: false };
  const lead = p.KAPR ?? 95;
  const usual = type === 'boring_bar' ? USUAL_POINT.boring_bar : USUAL_POINT.turning_insert;
  const point = Number(p['EPSR'] ?? usual);
  return {
    noseMm: p.RE ?? 0.8,
    leadDeg: lead,
    backDeg: Math.max(0, 180 - lead - point),
    assumed: p['EPSR'] === undefined,
  };
}

/** What an edge leaves of a profile. */
export interface ProfileReach {
  /** The surface it leaves, from the free end towards the jaws, mm. */
  readonly left: readonly ContourPoint[];
  /** Most that its two edges leave over the profile, on the radius, mm; what the nose leaves in corners is not in it. */
  readonly uncutMm: number;
  /** Most that the nose leaves in corners, on the radius, mm. */
  readonly cornerMm: number;
}

const RAD = Math.PI / 180;
/** Fewest and most places looked at, and how many to the radius of the nose. */
const PLACES = { least: 240, most: 900, onNose: 8 } as const;

/** Height of the tool over its lowest point at a distance towards the jaws (negative: behind it), mm. */
function heightOver(u: number, { noseMm, leadDeg, backDeg }: ProfilingEdge): number {
  const angle = u >= 0 ? Math.min(90, leadDeg) : backDeg;
  const along = Math.abs(u);
  const tangent = noseMm * Math.sin(angle * RAD);
  if (along <= tangent) return noseMm - Math.sqrt(Math.max(0, noseMm ** 2 - along ** 2));
  if (angle >= 90) return Infinity;
  return noseMm * (1 - Math.cos(angle * RAD)) + (along - tangent) * Math.tan(angle * RAD);
}

/** The heights a tool leaves over others: where it can go without cutting into them, and what it then sweeps. */
function swept(heights: Float64Array, step: number, edge: ProfilingEdge): Float64Array {
  const n = heights.length;
  const shape = new Float64Array(2 * n - 1);
  for (let k = -(n - 1); k < n; k++) shape[k + n - 1] = heightOver(k * step, edge);
  const [from, to] = [shape.findIndex((h) => h < Infinity), shape.findLastIndex((h) => h < Infinity)];
  const lowest = new Float64Array(n).fill(-Infinity);
  const left = new Float64Array(n).fill(Infinity);
  for (let i = 0; i < n; i++)
    for (let k = from; k <= to; k++) {
      const j = i + k - (n - 1);
      if (j >= 0 && j < n) lowest[i] = Math.max(lowest[i]!, heights[j]! - shape[k]!);
    }
  for (let i = 0; i < n; i++)
    for (let k = from; k <= to; k++) {
      const j = i + k - (n - 1);
      if (j >= 0 && j < n) left[j] = Math.min(left[j]!, lowest[i]! + shape[k]!);
    }
  return left;
}

/** Radius of the part behind the profile, towards the jaws, mm. */
export function beforeProfile({ profile, way, startMm }: TurnedStretch): number {
  if (!profile || profile.skinMm === null) return startMm / 2;
  const last = contourOf(profile, way === 'inside').at(-1)!.r;
  return way === 'inside' ? last - profile.skinMm : last + profile.skinMm;
}

const known = new WeakMap<TurnedProfile, Map<string, ProfileReach>>();

/** What an edge can cut of a profile; before it, towards the jaws, stands the part as it was (radius `beforeMm`). */
export function reachOf(
  profile: TurnedProfile,
  inside: boolean,
  beforeMm: number,
  edge: ProfilingEdge,
): ProfileReach {
  const key = [inside, beforeMm, edge.noseMm, edge.leadDeg, edge.backDeg].join();
  const of = known.get(profile) ?? new Map<string, ProfileReach>();
  known.set(profile, of);
  const had = of.get(key);
  if (had) return had;
  const made = workOut(profile, inside, beforeMm, edge);
  of.set(key, made);
  return made;
}

function workOut(
  profile: TurnedProfile,
  inside: boolean,
  beforeMm: number,
  edge: ProfilingEdge,
): ProfileReach {
  const contour = contourOf(profile, inside);
  const length = contour.at(-1)!.z;
  const places = Math.round(
    Math.min(PLACES.most, Math.max(PLACES.least, (PLACES.onNose * length) / edge.noseMm)),
  );
  const step = length / places;
  const up = inside ? -1 : 1;
  // A tool behind the free end stands in the air; a nose and more before the end there is the part.
  const past = Math.ceil((2 * edge.noseMm) / step);
  const heights = new Float64Array(past + places + 1 + past);
  for (let i = 0; i < heights.length; i++) {
    const z = (i - past) * step;
    heights[i] =
      z < 0
        ? up * radiusAt(contour, 0) - 10 * length - beforeMm
        : z > length
          ? up * beforeMm
          : up * radiusAt(contour, z);
  }
  const bySides = swept(heights, step, edge);
  const byNose = swept(heights, step, { ...edge, leadDeg: 90, backDeg: 90 });
  const left: ContourPoint[] = [];
  let [uncutMm, cornerMm] = [0, 0];
  for (let i = past; i <= past + places; i++) {
    left.push({ z: (i - past) * step, r: up * bySides[i]! });
    uncutMm = Math.max(uncutMm, bySides[i]! - byNose[i]!);
    cornerMm = Math.max(cornerMm, byNose[i]! - heights[i]!);
  }
  return { left, uncutMm, cornerMm };
}
