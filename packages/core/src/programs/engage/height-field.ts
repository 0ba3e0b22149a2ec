import { clearedTo, distanceSquared, type Pass } from './passes.ts';
import { type CutterShape, riseAt } from './cutter-shape.ts';
import { type Stock, topAt } from './stock.ts';

/** Cells at most: beyond it the grid is made coarser, and says so. */
const MOST_CELLS = 12_000_000;
/** Passes that are remembered exactly; what was cut before is known by its heights only. */
const KEPT_PASSES = 1 << 20;
/** A boundary is looked for in the next few pieces as well: short lines share a cell. */
const RUN_ON = 8;
/** Cells that differ by less than this have no edge between them, mm. */
const EVEN = 0.02;
/** Two surfaces nearer than this are one, mm. */
export const HAIR = 1e-5;

/**
 * Heights of the material on a grid, and which pass lowered each cell last. The grid finds what is near; close to an edge the passes
 * themselves are asked, so that an edge lies where the cutter put it and not where a cell ends.
 */
export interface HeightField {
  readonly cellMm: number;
  readonly columns: number;
  readonly rows: number;
  readonly bytes: number;
  readonly stock: Stock;
  /** Heights row by row from the least corner; -Infinity beside the material. */
  readonly heights: Float32Array;
  /** Height of the material over a level at a place, or 0 where there is none. */
  over(x: number, y: number, z: number): number;
  /** Takes away what a pass clears; mm³. `follows` where it begins with the level end of the one before. */
  cut(pass: Pass, follows: boolean): number;
}

export function makeHeightField(stock: Stock, wantedMm: number): HeightField {
  const [width, depth] = [stock.high[0] - stock.low[0], stock.high[1] - stock.low[1]];
  const cell = Math.max(wantedMm, Math.sqrt((width * depth) / MOST_CELLS));
  const columns = Math.max(1, Math.ceil(width / cell - 1e-9));
  const rows = Math.max(1, Math.ceil(depth / cell - 1e-9));
  const [x0, y0] = [stock.low[0] + cell / 2, stock.low[1] + cell / 2];
  const heights = new Float32Array(columns * rows);
  const cutBy = new Int32Array(columns * rows).fill(-1);
  for (let j = 0; j < rows; j++)
    for (let i = 0; i < columns; i++) heights[j * columns + i] = topAt(stock, x0 + i * cell, y0 + j * cell);
  // The pass before the last one: levels that share a wall leave cells only the lower of them touched last.
  const cutBefore = new Int32Array(columns * rows).fill(-1);
  const passes: Pass[] = [];
  let even = EVEN;
  let count = 0;

  /** Height to which the passes with these numbers, and those just before and behind, have cleared a place. */
  function clearedBy(ids: readonly number[], x: number, y: number): number {
    let lowest = Infinity;
    for (const id of ids) {
      const last = Math.min(count - 1, id + RUN_ON);
      for (let k = Math.max(0, count - KEPT_PASSES, id - RUN_ON); k <= last; k++)
        lowest = Math.min(lowest, clearedTo(passes[k & (KEPT_PASSES - 1)]!, x, y, HAIR));
    }
    return lowest;
  }

  function over(x: number, y: number, z: number): number {
    const [i, j] = [Math.round((x - x0) / cell), Math.round((y - y0) / cell)];
    if (i < -1 || j < -1 || i > columns || j > rows) return 0;
    const within = i > 0 && j > 0 && i < columns - 1 && j < rows - 1;
    let [least, most] = [within ? Infinity : -Infinity, -Infinity];
    for (let row = Math.max(0, j - 1); row <= j + 1 && row < rows; row++)
      for (
        let at = row * columns + Math.max(0, i - 1), end = row * columns + Math.min(columns - 1, i + 1);
        at <= end;
        at++
      ) {
        const height = heights[at]!;
        if (height > most) most = height;
        if (height < least) least = height;
      }
    if (most - z <= HAIR) return 0;
    if (most - least < even && least - z > HAIR) return heights[j * columns + i]! - z;
    // An edge is near: where it lies is asked of what made it.
    const height = Math.min(topAt(stock, x, y), clearedBy(passesNear(i, j), x, y));
    return height - z > HAIR ? height - z : 0;
  }

  /** Passes that lowered the cells round a place. */
  function passesNear(i: number, j: number): number[] {
    const near: number[] = [];
    for (let row = Math.max(0, j - 1); row <= j + 1 && row < rows; row++) {
      const end = row * columns + Math.min(columns - 1, i + 1);
      for (let at = row * columns + Math.max(0, i - 1); at <= end; at++) {
        const [last, before] = [cutBy[at]!, cutBefore[at]!];
        // Those whose neighbours are looked at anyway need not stand here twice.
        if (last >= 0 && !near.some((n) => Math.abs(n - last) < RUN_ON / 2)) near.push(last);
        if (before >= 0 && !near.some((n) => Math.abs(n - before) < RUN_ON / 2)) near.push(before);
      }
    }
    return near;
  }

  function remember(pass: Pass): number {
    passes[count & (KEPT_PASSES - 1)] = pass;
    return count++;
  }

  function claim(at: number, id: number): void {
    const before = cutBy[at]!;
    if (id - before > RUN_ON) cutBefore[at] = before;
    cutBy[at] = id;
  }

  /** Lowers the cells of one row from a column to another to a level; sum of what they lost, mm. */
  function lowerRow(row: number, from: number, to: number, z: number, id: number): number {
    let lost = 0;
    for (let at = row * columns + from, end = row * columns + to; at <= end; at++) {
      const height = heights[at]!;
      if (height > z) {
        lost += height - z;
        heights[at] = z;
        claim(at, id);
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
  function cutLevel(p: Pass, id: number, follows: boolean): number {
    const r = p.shape.radiusMm;
    const square = p.shape.flatMm >= r;
    const [first, last] = rowsOf(Math.min(p.ay, p.by) - r, Math.max(p.ay, p.by) + r);
    let lost = 0;
    for (let row = first; row <= last; row++) {
      const y = y0 + row * cell;
      const [low, high] = spanOf(p, y);
      if (low > high) continue;
      const from = Math.max(0, Math.ceil((low - x0) / cell));
      const to = Math.min(columns - 1, Math.floor((high - x0) / cell));
      const half = follows && square ? Math.sqrt(Math.max(0, r * r - (y - p.ay) ** 2)) : 0;
      if (!square) lost += shapeRow(p, row, from, to, id, follows);
      else if (half > 0) {
        lost += lowerRow(row, from, Math.min(to, Math.floor((p.ax - half - x0) / cell) + 1), p.az, id);
        lost += lowerRow(row, Math.max(from, Math.ceil((p.ax + half - x0) / cell) - 1), to, p.az, id);
      } else lost += lowerRow(row, from, to, p.az, id);
    }
    return lost;
  }

  /** One row under a rounded or inclined end. */
  function shapeRow(p: Pass, row: number, from: number, to: number, id: number, follows: boolean): number {
    const [ux, uy] = [p.bx - p.ax, p.by - p.ay];
    const length2 = ux * ux + uy * uy;
    const r2 = p.shape.radiusMm ** 2;
    const rises = risesOf(p.shape);
    const steps = RISES / r2;
    const dy = y0 + row * cell - p.ay;
    let lost = 0;
    for (let column = from; column <= to; column++) {
      const at = row * columns + column;
      const height = heights[at]!;
      if (height <= p.az) continue;
      const dx = x0 + column * cell - p.ax;
      let t = length2 > 0 ? (dx * ux + dy * uy) / length2 : 0;
      // What lies behind the start is nearest to it, and the piece before ended there.
      if (t < 0 && follows) continue;
      t = t < 0 ? 0 : t > 1 ? 1 : t;
      const d2 = (dx - t * ux) ** 2 + (dy - t * uy) ** 2;
      if (d2 >= r2) continue;
      const z = p.az + rises[(d2 * steps) | 0]!;
      if (z >= height) continue;
      lost += height - z;
      heights[at] = z;
      claim(at, id);
    }
    return lost;
  }

  const rowsOf = (low: number, high: number): [number, number] => [
    Math.max(0, Math.ceil((low - y0) / cell)),
    Math.min(rows - 1, Math.floor((high - y0) / cell)),
  ];

  /** Any other pass, cell by cell. */
  function cutCells(p: Pass, id: number): number {
    const r = p.shape.radiusMm;
    const box = boundsOf(p);
    const [first, last] = rowsOf(box[1] - r, box[3] + r);
    const from = Math.max(0, Math.ceil((box[0] - r - x0) / cell));
    const to = Math.min(columns - 1, Math.floor((box[2] + r - x0) / cell));
    const level = p.az === p.bz;
    const lowest = Math.min(p.az, p.bz);
    let lost = 0;
    for (let row = first; row <= last; row++) {
      const y = y0 + row * cell;
      for (let column = from; column <= to; column++) {
        const at = row * columns + column;
        const height = heights[at]!;
        if (height <= lowest) continue;
        const x = x0 + column * cell;
        let z: number;
        if (level) {
          const d2 = distanceSquared(p, x, y);
          if (d2 >= r * r) continue;
          z = p.shape.flatMm >= r ? p.az : p.az + riseAt(p.shape, Math.sqrt(d2));
        } else z = clearedTo(p, x, y);
        if (z < height) {
          lost += height - z;
          heights[at] = z;
          claim(at, id);
        }
      }
    }
    return lost;
  }

  return {
    cellMm: cell,
    columns,
    rows,
    bytes: heights.byteLength + cutBy.byteLength + cutBefore.byteLength,
    stock,
    heights,
    over,
    cut(pass, follows) {
      const id = remember(pass);
      // Under a rounded end every cell differs from the next: only what is steeper is an edge.
      if (pass.shape.flatMm < pass.shape.radiusMm) even = Math.max(EVEN, 2 * cell);
      const straight = pass.az === pass.bz && pass.arcRadius === 0;
      const lost = straight ? cutLevel(pass, id, follows) : cutCells(pass, id);
      return lost * cell * cell;
    },
  };
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
