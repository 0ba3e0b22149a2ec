import {
  type BlockTable,
  type CheckResult,
  type CheckSettings,
  checkStream,
  guessStock,
  type GuessedStock,
  makeBlockTable,
  type RewriteSettings,
  type Rewritten,
  rewriteProgram,
  type Stock,
} from '@burl/core';

/** What a program shows: its blocks, and what was found once all of it was gone through. */
export interface ProgramPicture {
  readonly table: BlockTable;
  readonly result: CheckResult | null;
  /** The material it was held against, and what it was taken from where nobody said it. */
  readonly stock: Stock | null;
  readonly stockAssumed: GuessedStock['from'] | null;
}

/** Blocks drawn at most; what is beyond is checked and not drawn. */
const MOST_DRAWN = 1_000_000;
/** Text handed on at a time, and when a picture of what is done so far is sent, ms. */
const PIECE = 200_000;
/** How long the path alone is read before anything is worked out on it, ms, and by how much text at a time. */
const SKETCH_MS = 150;
const SKETCH_PIECE = 20_000;
const FIRST_MS = 600;
const AGAIN_MS = 2500;

const piecesOf = (text: string) =>
  function* (): Generator<string> {
    for (let i = 0; i < text.length; i += PIECE) yield text.slice(i, i + PIECE);
  };

/** The beginning of the path as it is read in a moment, without material: something to look at while the rest is worked out. */
async function sketch(text: string, settings: CheckSettings): Promise<ProgramPicture> {
  const until = performance.now() + SKETCH_MS;
  const blocks = makeBlockTable(MOST_DRAWN);
  function* beginning(): Generator<string> {
    for (let i = 0; i < text.length && performance.now() < until; i += SKETCH_PIECE)
      yield text.slice(i, i + SKETCH_PIECE);
  }
  await checkStream(beginning, { ...settings, stock: null }, (block) => blocks.add(block));
  return { table: blocks.table(), result: null, stock: null, stockAssumed: null };
}

/** Lines of a text, without cutting it into them. */
function linesIn(text: string): number {
  let count = 1;
  for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) count++;
  return count;
}

/** The material somebody said, else the job's blank or a block round the path. */
function stockFor(
  text: string,
  { stock, blank }: CheckSettings,
): Pick<ProgramPicture, 'stock' | 'stockAssumed'> {
  if (stock) return { stock, stockAssumed: null };
  const guessed = guessStock(text, blank ?? null);
  return { stock: guessed?.stock ?? null, stockAssumed: guessed?.from ?? null };
}

/** Goes through a program and tells what is done on the way. */
export async function checkText(
  text: string,
  settings: CheckSettings,
  onPicture: (picture: ProgramPicture) => void,
  onPart: (part: number) => void,
): Promise<ProgramPicture> {
  if (text.length > SKETCH_PIECE) onPicture(await sketch(text, settings));
  const { stock, stockAssumed } = stockFor(text, settings);
  const blocks = makeBlockTable(MOST_DRAWN);
  const lines = linesIn(text);
  let next = performance.now() + FIRST_MS;
  const picture = (result: CheckResult | null): ProgramPicture => ({
    table: blocks.table(),
    result,
    stock,
    stockAssumed,
  });
  const result = await checkStream(
    piecesOf(text),
    { ...settings, stock, clearPlaneMm: settings.clearPlaneMm ?? (stock ? stock.high[2] + 1 : null) },
    (block) => blocks.add(block),
    (line) => {
      onPart(line / lines);
      if (performance.now() < next) return;
      next = performance.now() + AGAIN_MS;
      onPicture(picture(null));
    },
  );
  return picture(result);
}

/** The same program with other feeds, held against the same material. */
export const rewriteText = (text: string, settings: CheckSettings, wish: RewriteSettings): Rewritten =>
  rewriteProgram(text, { ...settings, stock: stockFor(text, settings).stock }, wish);
