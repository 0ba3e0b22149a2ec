import { type Arc, PLANES, type PlaneCode, type Point } from './motion.ts';

/** An arc as a program writes it: I J K from the start (or absolute), or R, with the turns of a helix. */
export interface ArcWords {
  readonly plane: PlaneCode;
  readonly clockwise: boolean;
  /** Offsets for X, Y and Z, mm; null where the word is not there. */
  readonly offsets: readonly [number | null, number | null, number | null];
  readonly absoluteCentre: boolean;
  /** R in mm; negative for the longer way round; null where the centre is given. */
  readonly radius: number | null;
  /** Whole extra turns, as P says. */
  readonly turns: number;
}

/** How far start and end may lie from one circle, mm: rounding of a program, and a little more on large ones. */
const OFF_CIRCLE = 0.02;
const OFF_SHARE = 0.002;

export type ArcRead = { readonly arc: Arc; readonly offCircleMm: number } | { readonly problem: string };

/** Shape of an arc between two points. Says a problem where there is no such circle. */
export function readArc(from: Point, to: Point, words: ArcWords): ArcRead {
  const { first, second } = PLANES[words.plane];
  const [ax, ay, bx, by] = [from[first], from[second], to[first], to[second]];
  const centre = words.radius === null ? centreByOffsets(from, words) : centreByRadius(ax, ay, bx, by, words);
  if (typeof centre === 'string') return { problem: centre };
  const radiusMm = Math.hypot(ax - centre[0], ay - centre[1]);
  const endRadius = Math.hypot(bx - centre[0], by - centre[1]);
  const offCircleMm = Math.abs(endRadius - radiusMm);
  if (!(radiusMm > 1e-9)) return { problem: 'the centre of the arc is its start: no radius' };
  if (offCircleMm > Math.max(OFF_CIRCLE, OFF_SHARE * radiusMm))
    return {
      problem: `start and end do not lie on one circle: radius ${radiusMm.toFixed(3)} and ${endRadius.toFixed(3)} mm`,
    };
  const turn = 2 * Math.PI;
  let sweep = Math.atan2(by - centre[1], bx - centre[0]) - Math.atan2(ay - centre[1], ax - centre[0]);
  const closes = Math.hypot(bx - ax, by - ay) < 1e-9;
  if (closes) sweep = words.clockwise ? -turn : turn;
  else if (words.clockwise) while (sweep >= -1e-12) sweep -= turn;
  else while (sweep <= 1e-12) sweep += turn;
  sweep += (words.clockwise ? -turn : turn) * words.turns;
  return { arc: { plane: words.plane, centre, radiusMm, sweep }, offCircleMm };
}

function centreByOffsets(from: Point, words: ArcWords): [number, number] | string {
  const { first, second } = PLANES[words.plane];
  const [i, j] = [words.offsets[first], words.offsets[second]];
  if (i === null && j === null) return 'an arc without centre or radius';
  // An absolute centre that is left out in one axis is the start's.
  return words.absoluteCentre
    ? [i ?? from[first], j ?? from[second]]
    : [from[first] + (i ?? 0), from[second] + (j ?? 0)];
}

function centreByRadius(
  ax: number,
  ay: number,
  bx: number,
  by: number,
  { radius, clockwise }: ArcWords,
): [number, number] | string {
  const chord = Math.hypot(bx - ax, by - ay);
  if (chord < 1e-9) return 'an arc by R that ends where it begins: no centre follows from it';
  const r = Math.abs(radius!);
  const short = r - chord / 2;
  if (short < -Math.max(OFF_CIRCLE / 2, OFF_SHARE * r))
    return `R ${r.toFixed(3)} mm is less than half the way between its ends, ${(chord / 2).toFixed(3)} mm`;
  const height = Math.sqrt(Math.max(0, r * r - (chord * chord) / 4));
  // The centre lies to the left of the chord for a short anticlockwise arc; the longer way round, and clockwise, on the other side.
  const side = clockwise === radius! < 0 ? 1 : -1;
  return [
    (ax + bx) / 2 - (side * height * (by - ay)) / chord,
    (ay + by) / 2 + (side * height * (bx - ax)) / chord,
  ];
}

/** Length along an arc or helix, mm. */
export function arcLength({
  arc,
  from,
  to,
}: {
  readonly arc: Arc;
  readonly from: Point;
  readonly to: Point;
}): number {
  const rise = to[PLANES[arc.plane].across] - from[PLANES[arc.plane].across];
  return Math.hypot(arc.radiusMm * arc.sweep, rise);
}

/** Point at a share of the way along an arc. */
export function pointOnArc(arc: Arc, from: Point, to: Point, share: number): Point {
  const { first, second, across } = PLANES[arc.plane];
  const start = Math.atan2(from[second] - arc.centre[1], from[first] - arc.centre[0]);
  const angle = start + arc.sweep * share;
  const point: [number, number, number] = [0, 0, 0];
  point[first] = arc.centre[0] + arc.radiusMm * Math.cos(angle);
  point[second] = arc.centre[1] + arc.radiusMm * Math.sin(angle);
  point[across] = from[across] + (to[across] - from[across]) * share;
  return point;
}

/** Points where an arc is farthest out along the axes of its plane, with its ends. */
export function boxOfArc(arc: Arc, from: Point, to: Point): Point[] {
  const { first, second } = PLANES[arc.plane];
  const start = Math.atan2(from[second] - arc.centre[1], from[first] - arc.centre[0]);
  const points = [from, to];
  const quarter = Math.PI / 2;
  const [low, high] = [Math.min(start, start + arc.sweep), Math.max(start, start + arc.sweep)];
  const last = Math.min(Math.floor(high / quarter), Math.ceil(low / quarter) + 3);
  for (let q = Math.ceil(low / quarter); q <= last; q++)
    points.push(pointOnArc(arc, from, to, (q * quarter - start) / arc.sweep));
  return points;
}
