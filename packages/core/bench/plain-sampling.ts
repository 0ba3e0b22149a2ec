import { topAt, type Stock } from '../src/programs/engage/stock.ts';
import type { Motion } from '../src/programs/read/motion.ts';

/**
 * The plain way to the same numbers: at every step of a cell's length the whole disc is taken away cell by cell, and the contact is
 * counted in degrees over the front half on the grid itself. Kept to be compared with.
 */
export function plainEngagement(stock: Stock, radius: number, cell: number): (motion: Motion) => number {
  const columns = Math.ceil((stock.high[0] - stock.low[0]) / cell);
  const rows = Math.ceil((stock.high[1] - stock.low[1]) / cell);
  const heights = new Float32Array(columns * rows);
  const [x0, y0] = [stock.low[0] + cell / 2, stock.low[1] + cell / 2];
  for (let j = 0; j < rows; j++)
    for (let i = 0; i < columns; i++) heights[j * columns + i] = topAt(stock, x0 + i * cell, y0 + j * cell);
  const heightAt = (x: number, y: number): number => {
    const [i, j] = [Math.round((x - x0) / cell), Math.round((y - y0) / cell)];
    return i < 0 || j < 0 || i >= columns || j >= rows ? -Infinity : heights[j * columns + i]!;
  };
  function takeAway(x: number, y: number, z: number): void {
    for (
      let j = Math.max(0, Math.ceil((y - radius - y0) / cell));
      j < rows && y0 + j * cell <= y + radius;
      j++
    )
      for (
        let i = Math.max(0, Math.ceil((x - radius - x0) / cell));
        i < columns && x0 + i * cell <= x + radius;
        i++
      )
        if (
          (x0 + i * cell - x) ** 2 + (y0 + j * cell - y) ** 2 < radius * radius &&
          heights[j * columns + i]! > z
        )
          heights[j * columns + i] = z;
  }
  return ({ from, to }) => {
    const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
    const length = Math.hypot(dx, dy);
    const steps = Math.max(1, Math.ceil(length / cell));
    let most = 0;
    for (let k = 1; k <= steps; k++) {
      const [x, y, z] = [0, 1, 2].map((axis) => from[axis]! + ((to[axis]! - from[axis]!) * k) / steps) as [
        number,
        number,
        number,
      ];
      let degrees = 0;
      for (let a = 0; a < 180 && length > 0; a++) {
        const angle = ((a + 0.5) * Math.PI) / 180;
        const [c, s] = [Math.cos(angle), Math.sin(angle)];
        const [px, py] = [(-dy * c + dx * s) / length, (dx * c + dy * s) / length];
        if (heightAt(x + px * radius, y + py * radius) > z + 1e-5) degrees++;
      }
      most = Math.max(most, degrees);
      takeAway(x, y, z);
    }
    return most;
  };
}
