import type { Pass } from './passes.ts';
import { type Stock, topAt } from './stock.ts';

/** Cells at most: beyond it the grid is made coarser, and says so. */
const MOST_CELLS = 12_000_000;
/** Passes that are remembered exactly; what was cut before is known by its heights only. */
export const KEPT_PASSES = 1 << 20;
/** A boundary is looked for in the pieces before and behind as well: short lines share a cell. So many of them at most, */
export const RUN_ON = 8;
/** and so far along the path, in cells. */
export const RUN_ON_CELLS = 3;
/** Cells that differ by less than this have no edge between them, mm. */
export const EVEN = 0.02;
/** Two surfaces nearer than this are one, mm. */
export const HAIR = 1e-5;

/** Material on a grid: its heights, and the passes that made them. */
export interface Grid {
  readonly stock: Stock;
  readonly cell: number;
  readonly columns: number;
  readonly rows: number;
  /** Middle of the first cell. */
  readonly x0: number;
  readonly y0: number;
  readonly heights: Float32Array;
  /** Pass that lowered each cell last, and the one before it: levels that share a wall leave cells only the lower of them touched last. */
  readonly cutBy: Int32Array;
  readonly cutBefore: Int32Array;
  /** The last passes, by their number modulo what is kept. */
  readonly passes: Pass[];
  /** Way gone until each of them ended, mm. */
  readonly gone: number[];
  count: number;
  /** Cells that differ by less have no edge between them. */
  even: number;
}

/** Way gone until a pass ended, mm. */
export const goneUntil = (g: Grid, id: number): number => g.gone[id & (KEPT_PASSES - 1)]!;

export function makeGrid(stock: Stock, wantedMm: number): Grid {
  const [width, depth] = [stock.high[0] - stock.low[0], stock.high[1] - stock.low[1]];
  const cell = Math.max(wantedMm, Math.sqrt((width * depth) / MOST_CELLS));
  const columns = Math.max(1, Math.ceil(width / cell - 1e-9));
  const rows = Math.max(1, Math.ceil(depth / cell - 1e-9));
  const [x0, y0] = [stock.low[0] + cell / 2, stock.low[1] + cell / 2];
  const heights = new Float32Array(columns * rows);
  for (let j = 0; j < rows; j++)
    for (let i = 0; i < columns; i++) heights[j * columns + i] = topAt(stock, x0 + i * cell, y0 + j * cell);
  return {
    stock,
    cell,
    columns,
    rows,
    x0,
    y0,
    heights,
    cutBy: new Int32Array(columns * rows).fill(-1),
    cutBefore: new Int32Array(columns * rows).fill(-1),
    passes: [],
    gone: [],
    count: 0,
    even: EVEN,
  };
}
