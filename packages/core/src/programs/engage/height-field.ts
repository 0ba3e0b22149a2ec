import { cutGrid } from './cut-grid.ts';
import { makeGrid } from './grid.ts';
import { over } from './look-up.ts';
import type { Pass } from './passes.ts';
import type { Stock } from './stock.ts';

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
  /** Height of the material over a level at a place, or 0 where there is none. */
  over(x: number, y: number, z: number): number;
  /** Takes away what a pass clears; mm³. `follows` where it begins with the level end of the one before. */
  cut(pass: Pass, follows: boolean): number;
}

export function makeHeightField(stock: Stock, wantedMm: number): HeightField {
  const grid = makeGrid(stock, wantedMm);
  const { cell, columns, rows, heights, cutBy, cutBefore } = grid;
  return {
    cellMm: cell,
    columns,
    rows,
    bytes: heights.byteLength + cutBy.byteLength + cutBefore.byteLength,
    stock,
    over: (x, y, z) => over(grid, x, y, z),
    cut: (pass, follows) => cutGrid(grid, pass, follows),
  };
}
