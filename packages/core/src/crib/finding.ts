import { memoryBeside } from '../numerics/memory.ts';
import type { Cutter } from './cutter.ts';

/** An entry of the crib as a list shows it. */
export interface Findable {
  readonly id: string;
  readonly name: string;
  /** Words it is found by beside those of its name and id. */
  readonly words?: readonly string[];
}

const INCH_MM = 25.4;
/** Sixteenths up to an inch, as people write them. */
const FRACTIONS: ReadonlyMap<string, string> = new Map(
  Array.from({ length: 64 }, (_, i) => {
    let [a, b] = [i + 1, 64];
    while (a % 2 === 0 && b > 1) [a, b] = [a / 2, b / 2];
    return [(INCH_MM * ((i + 1) / 64)).toFixed(3), b === 1 ? '1in' : `${a}/${b}`];
  }),
);

const plain = (value: number): string => String(Number(value.toFixed(3)));

/** What a cutter is asked for by: diameter as 12, 12mm or 1/2, teeth as 5fl or z5, corner radius as re1, and its shape. */
export const wordsOfCutter = memoryBeside(({ type, properties }: Cutter): readonly string[] => {
  const { DC, NOF, ZEFP, RE } = properties;
  const teeth = NOF ?? ZEFP;
  const words = type.split('_');
  if (DC !== undefined) {
    words.push(plain(DC), `${plain(DC)}mm`, `d${plain(DC)}`);
    const inch = FRACTIONS.get(DC.toFixed(3));
    if (inch) words.push(inch);
  }
  if (teeth !== undefined) words.push(`${teeth}fl`, `${teeth}flute`, `z${teeth}`, `${teeth}t`);
  if (RE) words.push(`re${plain(RE)}`, `r${plain(RE)}`);
  return words;
});

const wordsOf = memoryBeside((entry: Findable): readonly string[] => [
  ...`${entry.name} ${entry.id}`.toLowerCase().split(/[^\p{L}\d./]+/u),
  ...(entry.words ?? []),
]);

const [WHOLE, BEGINNING, INSIDE] = [4, 2, 1];
/** Letters from which on a piece inside a word counts. */
const LEAST_INSIDE = 3;

/** How well a word fits one that was typed; 0 where it does not. A number is the beginning of no other number. */
function fit(typed: string, word: string): number {
  if (word === typed) return WHOLE;
  if (word.startsWith(typed))
    return /\d$/.test(typed) && /^[\d.]/.test(word.slice(typed.length)) ? 0 : BEGINNING;
  return typed.length >= LEAST_INSIDE && word.includes(typed) ? INSIDE : 0;
}

/**
 * Entries in which everything typed is found, those that fit best first and as they stood among equals. “12 5fl” finds five-flute
 * cutters of 12 mm, and none of 120.
 */
export function found<T extends Findable>(typed: string, entries: readonly T[]): readonly T[] {
  // A comma between figures is a decimal one; any other only parts words.
  const asked = typed
    .toLowerCase()
    .replace(/(\d),(\d)/g, '$1.$2')
    .split(/[\s,;]+/)
    .filter(Boolean);
  if (asked.length === 0) return entries;
  const scored: { readonly entry: T; readonly score: number }[] = [];
  for (const entry of entries) {
    const words = wordsOf(entry);
    let score = 0;
    for (const token of asked) {
      let best = 0;
      for (const word of words) best = Math.max(best, fit(token, word));
      if (best === 0) {
        score = 0;
        break;
      }
      score += best;
    }
    if (score > 0) scored.push({ entry, score });
  }
  return scored.sort((a, b) => b.score - a.score).map((s) => s.entry);
}
