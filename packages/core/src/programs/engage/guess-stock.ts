import type { ProgramSummary } from '../read/summary.ts';
import { block, type Stock } from './stock.ts';

/** Material left below the deepest cut, mm. */
const BELOW = 5;

/** A block round everything a program feeds to, where nobody said what it begins with; null where it feeds nowhere. */
export function guessStock({ box }: Pick<ProgramSummary, 'box'>): Stock | null {
  if (!box) return null;
  const [low, high] = box;
  // The top of a part is usually its zero; a program that never goes below it has its zero at the bottom.
  const top = low[2] < 0 ? 0 : high[2];
  if (low[2] >= top) return null;
  const grow = (a: number, b: number): [number, number] => (b - a > 1e-6 ? [a, b] : [a - BELOW, b + BELOW]);
  const [x0, x1] = grow(low[0], high[0]);
  const [y0, y1] = grow(low[1], high[1]);
  return block([x0, y0, low[2] - BELOW], [x1, y1, top]);
}
