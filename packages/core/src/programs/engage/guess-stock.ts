import type { Chunks } from '../read/lines.ts';
import { PLAIN_SETTINGS, readProgram, readStream } from '../read/read-program.ts';
import { makeSummary, type ProgramSummary } from '../read/summary.ts';
import { block, type Stock } from './stock.ts';

/** Material left below the deepest cut where nobody said how much there is, mm. */
const BELOW = 5;

/** Sizes of a blank along the axes of its setup, mm. */
export interface BlankSizes {
  readonly xMm: number;
  readonly yMm: number;
  readonly zMm: number;
}

/** Material where nobody said what a program begins with. */
export interface GuessedStock {
  readonly stock: Stock;
  /** The job's blank, laid where the path says its zero is; or a block round the path. */
  readonly from: 'blank' | 'path';
}

/** Material of a program held as one text: the job's blank where the path fits it, else a block round the path; null where it feeds nowhere. */
export function guessStock(text: string, blank: BlankSizes | null): GuessedStock | null {
  const summary = makeSummary();
  readProgram(text, PLAIN_SETTINGS, summary);
  return stockRound(summary.result(), blank);
}

/** The same of a program that comes by the piece. */
export async function guessStockOfStream(
  chunks: Chunks,
  blank: BlankSizes | null,
): Promise<GuessedStock | null> {
  const summary = makeSummary();
  await readStream(chunks, PLAIN_SETTINGS, summary);
  return stockRound(summary.result(), blank);
}

function stockRound({ box }: Pick<ProgramSummary, 'box'>, blank: BlankSizes | null): GuessedStock | null {
  if (!box) return null;
  const [low, high] = box;
  // The top of a part is usually its zero; a program that never goes below it has its zero at the bottom.
  const top = low[2] < 0 ? 0 : (blank?.zMm ?? high[2]);
  if (low[2] >= top) return null;
  const laid = blank && layBlank(blank, low, high, top);
  if (laid) return { stock: laid, from: 'blank' };
  const grow = (a: number, b: number): [number, number] => (b - a > 1e-6 ? [a, b] : [a - BELOW, b + BELOW]);
  const [x0, x1] = grow(low[0], high[0]);
  const [y0, y1] = grow(low[1], high[1]);
  return { stock: block([x0, y0, low[2] - BELOW], [x1, y1, top]), from: 'path' };
}

/** A path that lies beside the blank by more than this share belongs to another. */
const BESIDE = 0.35;

/** The blank with its zero where the path fits best: in its middle, or on an edge, by axis; null where it fits nowhere. */
function layBlank(
  { xMm, yMm, zMm }: BlankSizes,
  low: readonly number[],
  high: readonly number[],
  top: number,
): Stock | null {
  const x = layAxis(xMm, low[0]!, high[0]!);
  const y = layAxis(yMm, low[1]!, high[1]!);
  if (x === null || y === null || top - zMm > low[2]! + zMm * BESIDE) return null;
  return block([x, y, top - zMm], [x + xMm, y + yMm, top]);
}

/** Where a length begins so that a path from `low` to `high` lies on it; null where none of the usual zeros does that. */
function layAxis(length: number, low: number, high: number): number | null {
  let best: number | null = null;
  let least = BESIDE * length;
  for (const start of [-length / 2, 0, -length]) {
    const beside = Math.max(0, start - low) + Math.max(0, high - start - length);
    if (beside < least - 1e-9) [best, least] = [start, beside];
  }
  return best;
}
