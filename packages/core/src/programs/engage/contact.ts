import { type CutterShape, edgeLevels, riseAt } from './cutter-shape.ts';
import type { HeightField } from './height-field.ts';

/** Where the cutter's front stands in the material at one place; angles from the left of the way it goes, in the sense of a right-hand cutter. */
export interface Contact {
  /** Sum of the angles in which a tooth cuts, rad. */
  readonly arc: number;
  /** First and last angle, rad. */
  readonly entry: number;
  readonly exit: number;
  /** Deepest axial contact, mm. */
  readonly depthMm: number;
}

export const NO_CONTACT: Contact = { arc: 0, entry: 0, exit: 0, depthMm: 0 };

/** Angles looked at over the front half, and how finely the ends of contact are then found. */
const LOOKS = 24;
const HALVINGS = 9;
/** The edge is looked for this far inside of it, mm: a pass along the wall it made, or one rounded by a program, is no cut. */
const INSIDE = 0.003;

/** Contact of a cutter with its lowest point at a place, going in a direction (unit vector in plan). */
export function contactAt(
  field: HeightField,
  shape: CutterShape,
  x: number,
  y: number,
  z: number,
  dx: number,
  dy: number,
): Contact {
  const levels = edgeLevels(shape);
  // What stands over the blank meets nothing.
  let topmost = levels.length - 1;
  while (topmost >= 0 && z + levels[topmost]!.riseMm >= field.stock.high[2]) topmost--;
  /** Height in contact at an angle from the left, mm: that of the outermost part of the edge that stands in material, for there it stands highest. */
  const depthAt = (angle: number): number => {
    // Left of the way is (-dy, dx); a right-hand cutter seen from above turns from there to the front.
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const [px, py] = [-dy * c + dx * s, dx * c + dy * s];
    for (let n = topmost; n >= 0; n--) {
      const { radiusMm, riseMm } = levels[n]!;
      const r = radiusMm - INSIDE;
      const over = field.over(x + px * r, y + py * r, z + riseMm);
      if (over > 0) return over + riseMm;
    }
    return 0;
  };
  const crossing = (from: number, to: number, inside: boolean): number => {
    let [a, b] = [from, to];
    for (let k = 0; k < HALVINGS; k++) {
      const middle = (a + b) / 2;
      if (depthAt(middle) > 0 === inside) a = middle;
      else b = middle;
    }
    // Found a hair inside of the edge: the edge crosses the same line along the way a little later.
    return Math.acos((1 - INSIDE / shape.radiusMm) * Math.cos((a + b) / 2));
  };
  if (topmost < 0) return NO_CONTACT;
  const edge = 1e-3;
  let [arc, entry, exit, deepest] = [0, -1, 0, 0];
  let start = 0;
  let before = edge;
  let inside = false;
  for (let k = 0; k <= LOOKS; k++) {
    const angle = k === 0 ? edge : k === LOOKS ? Math.PI - edge : (k * Math.PI) / LOOKS;
    const depth = depthAt(angle);
    if (depth > deepest) deepest = depth;
    if (depth > 0 !== inside) {
      if (inside) {
        const end = crossing(before, angle, true);
        arc += end - start;
        exit = end;
      } else {
        start = k === 0 ? 0 : crossing(before, angle, false);
        if (entry < 0) entry = start;
      }
      inside = !inside;
    }
    before = angle;
  }
  if (inside) {
    arc += Math.PI - start;
    exit = Math.PI;
  }
  return entry < 0 ? NO_CONTACT : { arc, entry, exit, depthMm: deepest };
}

/** Share of the cutter's end that stands on material; looked at on rings. */
export function endShare(field: HeightField, shape: CutterShape, x: number, y: number, z: number): number {
  let [hits, looks] = [0, 0];
  for (const [share, places] of END_RINGS) {
    const r = shape.radiusMm * share - (share === 1 ? INSIDE : 0);
    const rise = riseAt(shape, r);
    for (let k = 0; k < places; k++) {
      const angle = (2 * Math.PI * k) / places;
      looks++;
      if (field.over(x + r * Math.cos(angle), y + r * Math.sin(angle), z + rise) > 0) hits++;
    }
  }
  return hits / looks;
}
/** Rings of about equal area each: share of the radius, places on it. */
const END_RINGS: readonly (readonly [number, number])[] = [
  [0, 1],
  [0.35, 8],
  [0.65, 12],
  [1, 16],
];
