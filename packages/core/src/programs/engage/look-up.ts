import { goneUntil, type Grid, HAIR, KEPT_PASSES, RUN_ON, RUN_ON_CELLS } from './grid.ts';
import { clearedTo } from './passes.ts';
import { topAt } from './stock.ts';

/** Height of the material over a level at a place, or 0 where there is none. */
export function over(g: Grid, x: number, y: number, z: number): number {
  const { cell, columns, rows, x0, y0, heights } = g;
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
  if (most - least < g.even && least - z > HAIR) return heights[j * columns + i]! - z;
  // An edge is near: where it lies is asked of what made it.
  const height = topAt(g.stock, x, y);
  return height - z > HAIR ? leftOver(g, findNear(g, i, j), x, y, z, height) : 0;
}

/** What the passes found near, and those just before and behind them, leave of a height over a level; the latest asked first. */
function leftOver(g: Grid, count: number, x: number, y: number, z: number, top: number): number {
  const { passes } = g;
  const oldest = Math.max(0, g.count - KEPT_PASSES);
  let height = top;
  const reach = RUN_ON_CELLS * g.cell;
  let asked = g.count;
  for (let n = count - 1; n >= 0; n--) {
    const id = near[n]!;
    let first = Math.min(asked - 1, id + RUN_ON);
    while (first > id && goneUntil(g, first - 1) - goneUntil(g, id) > reach) first--;
    const last = Math.max(oldest, id - RUN_ON);
    let k = first;
    for (; k >= last && (k >= id || goneUntil(g, id - 1) - goneUntil(g, k) <= reach); k--) {
      const cleared = clearedTo(passes[k & (KEPT_PASSES - 1)]!, x, y, HAIR, height);
      if (cleared >= height) continue;
      if (cleared - z <= HAIR) return 0;
      height = cleared;
    }
    asked = Math.min(asked, k + 1);
  }
  return height - z;
}

/** Passes near the place asked for last, in order: one list used again, for it is asked a million times. */
const near = new Int32Array(18);

/** Finds the passes that lowered the cells round a place, each once and in order; how many. */
function findNear(g: Grid, i: number, j: number): number {
  const { columns, rows, cutBy, cutBefore } = g;
  let count = 0;
  for (let row = Math.max(0, j - 1); row <= j + 1 && row < rows; row++) {
    const end = row * columns + Math.min(columns - 1, i + 1);
    for (let at = row * columns + Math.max(0, i - 1); at <= end; at++) {
      count = keep(cutBy[at]!, count);
      count = keep(cutBefore[at]!, count);
    }
  }
  return count;
}

/** Puts a pass into its place among those near; how many there are then. */
function keep(id: number, count: number): number {
  if (id < 0) return count;
  let at = count;
  while (at > 0 && near[at - 1]! > id) at--;
  if (at > 0 && near[at - 1] === id) return count;
  near.copyWithin(at + 1, at, count);
  near[at] = id;
  return count + 1;
}
