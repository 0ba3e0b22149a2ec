import type { Chunks } from '../read/lines.ts';
import { PLAIN_SETTINGS, readProgram, readStream } from '../read/read-program.ts';
import { makeSummary, type ProgramSummary } from '../read/summary.ts';
import { block, type Stock } from './stock.ts';

/** Material left below the deepest cut, mm. */
const BELOW = 5;

/** A block round the path of a program held as one text, where nobody said what it begins with; null where it feeds nowhere. */
export function guessStock(text: string): Stock | null {
  const summary = makeSummary();
  readProgram(text, PLAIN_SETTINGS, summary);
  return stockRound(summary.result());
}

/** The same of a program that comes by the piece. */
export async function guessStockOfStream(chunks: Chunks): Promise<Stock | null> {
  const summary = makeSummary();
  await readStream(chunks, PLAIN_SETTINGS, summary);
  return stockRound(summary.result());
}

/** A block round everything that is fed to. */
function stockRound({ box }: Pick<ProgramSummary, 'box'>): Stock | null {
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
