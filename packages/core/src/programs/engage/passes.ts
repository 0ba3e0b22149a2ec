import { type CutterShape, riseAt } from './cutter-shape.ts';

/** A piece of path as the cutter went it: straight, or a level arc of less than half a turn. Lengths in mm. */
export interface Pass {
  readonly ax: number;
  readonly ay: number;
  readonly az: number;
  readonly bx: number;
  readonly by: number;
  readonly bz: number;
  /** Centre, radius and half the turn of a level arc; a radius of 0 is a straight piece. */
  readonly cx: number;
  readonly cy: number;
  readonly arcRadius: number;
  readonly half: number;
  readonly shape: CutterShape;
}

export const straight = (a: readonly number[], b: readonly number[], shape: CutterShape): Pass => ({
  ax: a[0]!,
  ay: a[1]!,
  az: a[2]!,
  bx: b[0]!,
  by: b[1]!,
  bz: b[2]!,
  cx: 0,
  cy: 0,
  arcRadius: 0,
  half: 0,
  shape,
});

/** Square of the distance in plan from a place to the piece. */
export function distanceSquared(p: Pass, x: number, y: number): number {
  if (p.arcRadius > 0) {
    const [dx, dy] = [x - p.cx, y - p.cy];
    const [mx, my] = [(p.ax + p.bx) / 2 - p.cx, (p.ay + p.by) / 2 - p.cy];
    // Within the sector where it lies as near to the bisector as the ends do.
    const [r, m] = [Math.sqrt(dx * dx + dy * dy), Math.sqrt(mx * mx + my * my)];
    if (dx * mx + dy * my >= Math.cos(p.half) * r * m - 1e-12) return (r - p.arcRadius) ** 2;
    return Math.min((x - p.ax) ** 2 + (y - p.ay) ** 2, (x - p.bx) ** 2 + (y - p.by) ** 2);
  }
  const [ux, uy] = [p.bx - p.ax, p.by - p.ay];
  const length2 = ux * ux + uy * uy;
  const t = length2 > 0 ? Math.min(1, Math.max(0, ((x - p.ax) * ux + (y - p.ay) * uy) / length2)) : 0;
  return (x - p.ax - t * ux) ** 2 + (y - p.ay - t * uy) ** 2;
}

/** Height to which the piece clears a place; Infinity where the cutter does not come, or not below a `height` that is given. */
export function clearedTo(p: Pass, x: number, y: number, slack = 0, height = Infinity): number {
  const reach = p.shape.radiusMm - slack;
  if (p.az === p.bz) {
    const d2 = distanceSquared(p, x, y);
    if (d2 >= reach * reach) return Infinity;
    return p.shape.flatMm >= p.shape.radiusMm ? p.az : p.az + riseAt(p.shape, Math.sqrt(d2));
  }
  const [ux, uy] = [p.bx - p.ax, p.by - p.ay];
  const [dx, dy] = [x - p.ax, y - p.ay];
  const length = Math.sqrt(ux * ux + uy * uy);
  if (length < 1e-9) {
    const d = Math.sqrt(dx * dx + dy * dy);
    return d >= reach ? Infinity : Math.min(p.az, p.bz) + riseAt(p.shape, d);
  }
  const along = (dx * ux + dy * uy) / length;
  const aside2 = dx * dx + dy * dy - along * along;
  return lowestAlong(p, along, aside2, length, reach, height);
}

/**
 * Lowest the cutter's surface comes over a place while it goes an inclined straight piece; Infinity where it does not come.
 * `along` is where the place lies along the piece, `aside2` the square of its distance from that line, `reach` how far the cutter reaches.
 * Nothing exact is worked out where it cannot come below `height`.
 */
export function lowestAlong(
  p: Pass,
  along: number,
  aside2: number,
  length: number,
  reach: number,
  height = Infinity,
): number {
  const room = reach * reach - aside2;
  if (room <= 0) return Infinity;
  const chord = Math.sqrt(room);
  const from = Math.max(0, along - chord);
  const to = Math.min(length, along + chord);
  if (from > to) return Infinity;
  const { shape, az } = p;
  const slope = (p.bz - az) / length;
  const axis = az + slope * (slope < 0 ? to : from);
  if (shape.flatMm >= shape.radiusMm) return axis;
  if (axis >= height) return Infinity;
  if (shape.flatMm === 0 && shape.cornerMm === shape.radiusMm) {
    // A ball touches an inclined way beside its lowest point: where its own slope is that of the way.
    const section = Math.max(0, shape.radiusMm * shape.radiusMm - aside2);
    const best = along - slope * Math.sqrt(section / (1 + slope * slope));
    const t = best < from ? from : best > to ? to : best;
    return az + slope * t + shape.radiusMm - Math.sqrt(Math.max(0, section - (along - t) * (along - t)));
  }
  // Farther along a steady slope the cutter's surface comes lower until its own slope is that of the way.
  const offset = Math.sign(-slope) * touchOffset(shape, aside2, Math.abs(slope), chord);
  const best = along + offset;
  const t = best < from ? from : best > to ? to : best;
  return az + slope * t + riseAt(shape, Math.min(shape.radiusMm, Math.sqrt(aside2 + (along - t) ** 2)));
}

/**
 * How far along an inclined way the cutter stands beyond a place when its surface is lowest over it, mm and at most `chord`.
 * `aside2` is the square of the place's distance from the way, `slope` its rise over run (positive).
 */
function touchOffset(shape: CutterShape, aside2: number, slope: number, chord: number): number {
  const { flatMm, cornerMm, slope: cone } = shape;
  const offsetAt = (distance: number): number =>
    Math.min(chord, Math.sqrt(Math.max(0, distance * distance - aside2)));
  if (cornerMm === 0) {
    if (slope >= cone) return chord;
    return offsetAt(Math.max(flatMm, Math.sqrt(aside2 / (1 - (slope / cone) ** 2))));
  }
  // On the corner the surface rises with the tangent of an angle, and along the way with the share of it that points that way.
  const slope2 = slope * slope;
  let low = Math.sqrt(slope2 / (1 + slope2));
  let high = 1;
  for (let n = 0; n < SINE_HALVINGS; n++) {
    const sine = (low + high) / 2;
    const distance = flatMm + cornerMm * sine;
    const share2 = 1 - aside2 / (distance * distance);
    if (sine * sine * share2 > slope2 * (1 - sine * sine)) high = sine;
    else low = sine;
  }
  return offsetAt(flatMm + (cornerMm * (low + high)) / 2);
}
/** The height is flat about its lowest place: so many halvings of the angle's sine leave less than a ten-thousandth of a millimetre. */
const SINE_HALVINGS = 10;
