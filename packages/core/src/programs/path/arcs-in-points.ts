/** Fewer points than this make no arc. */
export const LEAST_POINTS = 5;
/** A larger radius is a straight line to a control. */
const LARGEST = 2000;

export type PlanPoint = readonly [x: number, y: number];

export interface Circle {
  readonly x: number;
  readonly y: number;
  readonly r: number;
  readonly turn: 1 | -1;
}

/** Circle through three points; null where they lie on a line. */
function circleOf(a: readonly number[], b: readonly number[], c: readonly number[]): Circle | null {
  const [ax, ay, bx, by, cx, cy] = [a[0]!, a[1]!, b[0]!, b[1]!, c[0]!, c[1]!];
  const d = 2 * (ax * (by - cy) + bx * (cy - ay) + cx * (ay - by));
  if (Math.abs(d) < 1e-12) return null;
  const [a2, b2, c2] = [ax * ax + ay * ay, bx * bx + by * by, cx * cx + cy * cy];
  const x = (a2 * (by - cy) + b2 * (cy - ay) + c2 * (ay - by)) / d;
  const y = (a2 * (cx - bx) + b2 * (ax - cx) + c2 * (bx - ax)) / d;
  return { x, y, r: Math.hypot(ax - x, ay - y), turn: d > 0 ? 1 : -1 };
}

/** Whether points and the middles of their chords lie within a tolerance of a circle and go round it one way, less than a half turn. */
function fits(points: readonly PlanPoint[], from: number, to: number, c: Circle, tolerance: number): boolean {
  if (c.r > LARGEST) return false;
  let turned = 0;
  for (let k = from; k <= to; k++) {
    const [x, y] = points[k]!;
    if (Math.abs(Math.hypot(x - c.x, y - c.y) - c.r) > tolerance) return false;
    if (k === from) continue;
    const [px, py] = points[k - 1]!;
    const middle = Math.hypot((x + px) / 2 - c.x, (y + py) / 2 - c.y);
    if (Math.abs(middle - c.r) > tolerance) return false;
    const step = Math.atan2(
      (px - c.x) * (y - c.y) - (py - c.y) * (x - c.x),
      (px - c.x) * (x - c.x) + (py - c.y) * (y - c.y),
    );
    if (step * c.turn <= 0) return false;
    turned += Math.abs(step);
  }
  return turned < Math.PI * 0.95;
}

/** Longest arc from a point on; the index of its last point, or `from` where none fits. */
export function longestArc(
  points: readonly PlanPoint[],
  from: number,
  tolerance: number,
): { readonly to: number; readonly circle: Circle | null } {
  let best: { to: number; circle: Circle | null } = { to: from, circle: null };
  for (let to = from + LEAST_POINTS - 1; to < points.length; to++) {
    const circle = circleOf(points[from]!, points[(from + to) >> 1]!, points[to]!);
    if (!circle || !fits(points, from, to, circle, tolerance)) break;
    best = { to, circle };
  }
  return best;
}

/** Lines that short lines through these points would be with arcs put in where they fit within a tolerance. */
export function linesWithArcs(points: readonly PlanPoint[], tolerance: number): number {
  let lines = 0;
  for (let from = 0; from < points.length - 1; lines++) {
    const { to } = longestArc(points, from, tolerance);
    from = to > from ? to : from + 1;
  }
  return lines;
}
