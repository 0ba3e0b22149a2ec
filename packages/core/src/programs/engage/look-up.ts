import { type Grid, HAIR, KEPT_PASSES, RUN_ON } from './grid.ts';
import { clearedTo } from './passes.ts';
import { topAt } from './stock.ts';

/** Height to which the passes with these numbers, and those just before and behind, have cleared a place. */
function clearedBy(g: Grid, ids: readonly number[], x: number, y: number): number {
  const { passes } = g;
  let lowest = Infinity;
  for (const id of ids) {
    const last = Math.min(g.count - 1, id + RUN_ON);
    for (let k = Math.max(0, g.count - KEPT_PASSES, id - RUN_ON); k <= last; k++)
      lowest = Math.min(lowest, clearedTo(passes[k & (KEPT_PASSES - 1)]!, x, y, HAIR));
  }
  return lowest;
}

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
  const height = Math.min(topAt(g.stock, x, y), clearedBy(g, passesNear(g, i, j), x, y));
  return height - z > HAIR ? height - z : 0;
}

/** Passes that lowered the cells round a place. */
function passesNear(g: Grid, i: number, j: number): number[] {
  const { columns, rows, cutBy, cutBefore } = g;
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
