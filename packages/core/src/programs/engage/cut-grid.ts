import { type CutterShape, riseAt } from './cutter-shape.ts';
import { EVEN, goneUntil, type Grid, KEPT_PASSES, RUN_ON, RUN_ON_CELLS } from './grid.ts';
import { distanceSquared, lowestAlong, type Pass } from './passes.ts';

/** Rows whose middles lie between two heights of the plan. */
function rowsOf({ cell, rows, y0 }: Grid, low: number, high: number): [number, number] {
  return [Math.max(0, Math.ceil((low - y0) / cell)), Math.min(rows - 1, Math.floor((high - y0) / cell))];
}

function remember(g: Grid, pass: Pass): number {
  const { passes, gone } = g;
  const at = g.count & (KEPT_PASSES - 1);
  passes[at] = pass;
  gone[at] = (g.count > 0 ? goneUntil(g, g.count - 1) : 0) + Math.hypot(pass.bx - pass.ax, pass.by - pass.ay);
  return g.count++;
}

function claim(g: Grid, at: number, id: number): void {
  const { cutBy, cutBefore } = g;
  const before = cutBy[at]!;
  if (id - before > RUN_ON || goneUntil(g, id) - goneUntil(g, before) > RUN_ON_CELLS * g.cell)
    cutBefore[at] = before;
  cutBy[at] = id;
}

/** Lowers the cells of one row from a column to another to a level; sum of what they lost, mm. */
function lowerRow(g: Grid, row: number, from: number, to: number, z: number, id: number): number {
  const { columns, heights } = g;
  let lost = 0;
  for (let at = row * columns + from, end = row * columns + to; at <= end; at++) {
    const height = heights[at]!;
    if (height > z) {
      lost += height - z;
      heights[at] = z;
      claim(g, at, id);
    }
  }
  return lost;
}

/** Columns that a straight piece sweeps over in the row at `y`, as a least and a largest x; none where the least is larger. */
function spanOf(p: Pass, y: number): [number, number] {
  const r = p.shape.radiusMm;
  const [ux, uy] = [p.bx - p.ax, p.by - p.ay];
  const length = Math.hypot(ux, uy);
  let [low, high] = [Infinity, -Infinity];
  const a = r * r - (y - p.ay) ** 2;
  if (a >= 0) [low, high] = [p.ax - Math.sqrt(a), p.ax + Math.sqrt(a)];
  const b = r * r - (y - p.by) ** 2;
  if (b >= 0) [low, high] = [Math.min(low, p.bx - Math.sqrt(b)), Math.max(high, p.bx + Math.sqrt(b))];
  if (length === 0) return [low, high];
  // The straight flanks of what is swept.
  for (const side of [r / length, -r / length]) {
    const sy = p.ay + side * ux;
    if (uy === 0 || (y - sy) * (y - sy - uy) > 0) continue;
    const x = p.ax - side * uy + ((y - sy) / uy) * ux;
    [low, high] = [Math.min(low, x), Math.max(high, x)];
  }
  return [low, high];
}

/** A level straight pass: whole rows at once, without what the one before cleared already. */
function cutLevel(g: Grid, p: Pass, id: number, follows: boolean): number {
  const { cell, columns, x0, y0 } = g;
  const r = p.shape.radiusMm;
  const square = p.shape.flatMm >= r;
  const [first, last] = rowsOf(g, Math.min(p.ay, p.by) - r, Math.max(p.ay, p.by) + r);
  let lost = 0;
  for (let row = first; row <= last; row++) {
    const y = y0 + row * cell;
    const [low, high] = spanOf(p, y);
    if (low > high) continue;
    const from = Math.max(0, Math.ceil((low - x0) / cell));
    const to = Math.min(columns - 1, Math.floor((high - x0) / cell));
    const half = follows && square ? Math.sqrt(Math.max(0, r * r - (y - p.ay) ** 2)) : 0;
    if (!square) lost += shapeRow(g, p, row, from, to, id, follows);
    else if (half > 0) {
      lost += lowerRow(g, row, from, Math.min(to, Math.floor((p.ax - half - x0) / cell) + 1), p.az, id);
      lost += lowerRow(g, row, Math.max(from, Math.ceil((p.ax + half - x0) / cell) - 1), to, p.az, id);
    } else lost += lowerRow(g, row, from, to, p.az, id);
  }
  return lost;
}

/** Columns of a row that lie no farther behind the start of a piece than a length, mm (0 or less); `start` is the start's own column. */
function ahead(
  p: Pass,
  dy: number,
  [from, to]: readonly [number, number],
  start: number,
  cell: number,
  behindMm = 0,
): [number, number] {
  const [ux, uy] = [p.bx - p.ax, p.by - p.ay];
  const least = behindMm === 0 ? 0 : behindMm * Math.sqrt(ux * ux + uy * uy);
  if (ux === 0) return dy * uy < least ? [0, -1] : [from, to];
  const edge = start + (least - dy * uy) / ux / cell;
  return ux > 0
    ? [Math.max(from, Math.ceil(edge - 1e-9)), to]
    : [from, Math.min(to, Math.floor(edge + 1e-9))];
}

/** One row under a rounded or inclined end. */
function shapeRow(
  g: Grid,
  p: Pass,
  row: number,
  from: number,
  to: number,
  id: number,
  follows: boolean,
): number {
  const { cell, columns, x0, y0, heights } = g;
  const [ux, uy] = [p.bx - p.ax, p.by - p.ay];
  const length2 = ux * ux + uy * uy;
  const r2 = p.shape.radiusMm ** 2;
  const rises = risesOf(p.shape);
  const steps = RISES / r2;
  const dy = y0 + row * cell - p.ay;
  const perLength2 = length2 > 0 ? 1 / length2 : 0;
  // What lies behind the start is nearest to it, and the piece before ended there.
  const [first, last] = follows ? ahead(p, dy, [from, to], (p.ax - x0) / cell, cell) : [from, to];
  let lost = 0;
  for (let column = first; column <= last; column++) {
    const at = row * columns + column;
    const height = heights[at]!;
    if (height <= p.az) continue;
    const dx = x0 + column * cell - p.ax;
    let t = (dx * ux + dy * uy) * perLength2;
    t = t < 0 ? 0 : t > 1 ? 1 : t;
    const d2 = (dx - t * ux) ** 2 + (dy - t * uy) ** 2;
    if (d2 >= r2) continue;
    const z = p.az + rises[(d2 * steps) | 0]!;
    if (z >= height) continue;
    lost += height - z;
    heights[at] = z;
    claim(g, at, id);
  }
  return lost;
}

/** An inclined straight pass: row by row, without what the one before cleared already. */
function cutInclined(g: Grid, p: Pass, id: number, follows: boolean): number {
  const { cell, columns, x0, y0, heights } = g;
  const r = p.shape.radiusMm;
  const [ux, uy] = [p.bx - p.ax, p.by - p.ay];
  const length = Math.hypot(ux, uy);
  const lowest = Math.min(p.az, p.bz);
  // Going down it may still come lower somewhat behind its start.
  const behind = Math.min(0, (p.bz - p.az) / length) * r;
  const [first, last] = rowsOf(g, Math.min(p.ay, p.by) - r, Math.max(p.ay, p.by) + r);
  let lost = 0;
  for (let row = first; row <= last; row++) {
    const dy = y0 + row * cell - p.ay;
    const [low, high] = spanOf(p, y0 + row * cell);
    if (low > high) continue;
    const swept: [number, number] = [
      Math.max(0, Math.ceil((low - x0) / cell)),
      Math.min(columns - 1, Math.floor((high - x0) / cell)),
    ];
    const [from, to] = follows ? ahead(p, dy, swept, (p.ax - x0) / cell, cell, behind) : swept;
    for (let column = from; column <= to; column++) {
      const at = row * columns + column;
      const height = heights[at]!;
      if (height <= lowest) continue;
      const dx = x0 + column * cell - p.ax;
      const along = (dx * ux + dy * uy) / length;
      const z = lowestAlong(p, along, dx * dx + dy * dy - along * along, length, r, height);
      if (z >= height) continue;
      lost += height - z;
      heights[at] = z;
      claim(g, at, id);
    }
  }
  return lost;
}

/** A level arc, or a way straight down: cell by cell. */
function cutCells(g: Grid, p: Pass, id: number): number {
  const { cell, columns, x0, y0, heights } = g;
  const r = p.shape.radiusMm;
  const box = boundsOf(p);
  const [first, last] = rowsOf(g, box[1] - r, box[3] + r);
  const from = Math.max(0, Math.ceil((box[0] - r - x0) / cell));
  const to = Math.min(columns - 1, Math.floor((box[2] + r - x0) / cell));
  const bottom = Math.min(p.az, p.bz);
  // Of an arc's box most lies inside or outside of the ring it clears.
  const [inner, outer] =
    p.arcRadius > 0 ? [Math.max(0, p.arcRadius - r) ** 2, (p.arcRadius + r) ** 2] : [0, Infinity];
  let lost = 0;
  for (let row = first; row <= last; row++) {
    const y = y0 + row * cell;
    for (let column = from; column <= to; column++) {
      const at = row * columns + column;
      const height = heights[at]!;
      if (height <= bottom) continue;
      const [x, toCentre] = [x0 + column * cell, (x0 + column * cell - p.cx) ** 2 + (y - p.cy) ** 2];
      if (toCentre < inner || toCentre > outer) continue;
      const d2 = distanceSquared(p, x, y);
      if (d2 >= r * r) continue;
      const z = p.shape.flatMm >= r ? bottom : bottom + riseAt(p.shape, Math.sqrt(d2));
      if (z < height) {
        lost += height - z;
        heights[at] = z;
        claim(g, at, id);
      }
    }
  }
  return lost;
}

/** Takes away what a pass clears; mm³. `follows` where it begins with the level end of the one before. */
export function cutGrid(g: Grid, pass: Pass, follows: boolean): number {
  const id = remember(g, pass);
  // Under a rounded end every cell differs from the next: only what is steeper is an edge.
  if (pass.shape.flatMm < pass.shape.radiusMm) g.even = Math.max(EVEN, 2 * g.cell);
  const lost = lostTo(g, pass, id, follows);
  return lost * g.cell * g.cell;
}

function lostTo(g: Grid, pass: Pass, id: number, follows: boolean): number {
  if (pass.arcRadius > 0) return cutCells(g, pass, id);
  if (pass.az === pass.bz) return cutLevel(g, pass, id, follows);
  const down = Math.hypot(pass.bx - pass.ax, pass.by - pass.ay) < 1e-9;
  return down ? cutCells(g, pass, id) : cutInclined(g, pass, id, follows);
}

/** Places of a shape's outline worked out once, by the square of the distance: no root for each cell. */
const RISES = 2048;
const known = new WeakMap<CutterShape, Float32Array>();
function risesOf(shape: CutterShape): Float32Array {
  let rises = known.get(shape);
  if (!rises) {
    rises = Float32Array.from({ length: RISES + 1 }, (_, i) =>
      riseAt(shape, shape.radiusMm * Math.sqrt((i + 0.5) / RISES)),
    );
    known.set(shape, rises);
  }
  return rises;
}

/** Bounds in plan of a piece's centre line. */
function boundsOf(p: Pass): [number, number, number, number] {
  const box: [number, number, number, number] = [
    Math.min(p.ax, p.bx),
    Math.min(p.ay, p.by),
    Math.max(p.ax, p.bx),
    Math.max(p.ay, p.by),
  ];
  if (p.arcRadius === 0) return box;
  // The arc bulges over its chord by at most its height.
  const bulge = p.arcRadius * (1 - Math.cos(p.half));
  return [box[0] - bulge, box[1] - bulge, box[2] + bulge, box[3] + bulge];
}
