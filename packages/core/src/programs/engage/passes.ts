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
    const [r, m] = [Math.hypot(dx, dy), Math.hypot(mx, my)];
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
  const length = Math.hypot(ux, uy);
  if (length < 1e-9) {
    const d = Math.hypot(x - p.ax, y - p.ay);
    return d >= reach ? Infinity : Math.min(p.az, p.bz) + riseAt(p.shape, d);
  }
  const along = ((x - p.ax) * ux + (y - p.ay) * uy) / length;
  const aside2 = (x - p.ax) ** 2 + (y - p.ay) ** 2 - along * along;
  if (aside2 >= reach * reach) return Infinity;
  const chord = Math.sqrt(reach * reach - aside2);
  const from = Math.max(0, along - chord);
  const to = Math.min(length, along + chord);
  if (from > to) return Infinity;
  const slope = (p.bz - p.az) / length;
  if (p.shape.flatMm >= p.shape.radiusMm) return p.az + slope * (slope < 0 ? to : from);
  const nearest = Math.min(to, Math.max(from, along));
  return p.az + slope * nearest + riseAt(p.shape, Math.sqrt(aside2 + (along - nearest) ** 2));
}
