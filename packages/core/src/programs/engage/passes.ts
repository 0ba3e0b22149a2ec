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

/** Height to which the piece clears a place; Infinity where the cutter does not come. */
export function clearedTo(p: Pass, x: number, y: number, slack = 0): number {
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
  return lowestAlong(p, along, aside2, length, reach);
}

/**
 * Lowest the cutter's surface comes over a place while it goes an inclined straight piece; Infinity where it does not come.
 * `along` is where the place lies along the piece, `aside2` the square of its distance from that line, `reach` how far the cutter reaches.
 */
export function lowestAlong(p: Pass, along: number, aside2: number, length: number, reach: number): number {
  const room = reach * reach - aside2;
  if (room <= 0) return Infinity;
  const chord = Math.sqrt(room);
  const from = Math.max(0, along - chord);
  const to = Math.min(length, along + chord);
  if (from > to) return Infinity;
  const { shape, az } = p;
  const slope = (p.bz - az) / length;
  if (shape.flatMm >= shape.radiusMm) return az + slope * (slope < 0 ? to : from);
  if (shape.flatMm === 0 && shape.cornerMm === shape.radiusMm) {
    // A ball touches an inclined way beside its lowest point: where its own slope is that of the way.
    const section = Math.max(0, shape.radiusMm * shape.radiusMm - aside2);
    const best = along - slope * Math.sqrt(section / (1 + slope * slope));
    const t = best < from ? from : best > to ? to : best;
    return az + slope * t + shape.radiusMm - Math.sqrt(Math.max(0, section - (along - t) * (along - t)));
  }
  const at = (t: number): number => az + slope * t + riseAt(shape, Math.sqrt(aside2 + (along - t) ** 2));
  // The outline rises outwards ever more steeply, so there is one lowest place.
  let [low, high] = [from, to];
  for (let n = 0; n < THIRDS && high - low > 1e-6; n++) {
    const third = (high - low) / 3;
    if (at(low + third) < at(high - third)) high -= third;
    else low += third;
  }
  return Math.min(at((low + high) / 2), at(from), at(to));
}
/** Steps of the search for the lowest place: two thirds are left by each. */
const THIRDS = 24;
