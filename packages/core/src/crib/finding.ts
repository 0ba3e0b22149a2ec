import { firstIndex } from '../numerics/first-index.ts';
import { memoryBeside } from '../numerics/memory.ts';
import type { Cutter } from './cutter.ts';
import type { Holder } from './holder.ts';
import type { Machine } from './machine.ts';

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

/** What parts words, in names as in what is typed: a point, a stroke and a number sign belong to sizes. */
const BETWEEN_WORDS = /[^\p{L}\d./#]+/u;

/** Axes are counted in one word, however it is written or not yet written out: 5-axis is no 5 kW machine of three axes. */
const AXES = /(\d)[- ]?ax(is|i|es|e)?\b/g;
/** A comma before three figures parts thousands, as names write them. */
const THOUSANDS = /(\d),(?=\d{3}(?!\d))/g;
const wordsIn = (text: string): readonly string[] =>
  text.toLowerCase().replace(THOUSANDS, '$1').replace(AXES, '$1ax').split(BETWEEN_WORDS).filter(Boolean);

/** Every word an entry is found by. */
export const wordsOf = memoryBeside((entry: Findable): readonly string[] => [
  ...wordsIn(`${entry.name} ${entry.id}`),
  ...(entry.words ?? []),
]);

/** What was typed, word by word: a comma between figures is a decimal one where it parts no thousands, any other only parts words. */
export const tokensOf = (typed: string): readonly string[] =>
  wordsIn(typed.replace(THOUSANDS, '$1').replace(/(\d),(\d)/g, '$1.$2'));

/** What a machine is asked for by beside its name: its kind, as 5-axis, and what its spindle takes. */
export const wordsOfMachine = memoryBeside(({ kind, spindle_interface }: Machine) =>
  wordsIn(`${kind} ${spindle_interface}`),
);

/** What a holder is asked for by beside its name: its kind and the spindles it fits, as BT40. */
export const wordsOfHolder = memoryBeside(({ kind, interfaces }: Holder) =>
  wordsIn([kind, ...interfaces].join(' ')),
);

const [WHOLE, BEGINNING, INSIDE] = [4, 2, 1];
/** Letters from which on a piece inside a word counts. */
const LEAST_INSIDE = 3;

/** A list made ready to be searched: its distinct words in order, each with the places of the entries that have it. */
interface Index {
  readonly words: readonly string[];
  readonly places: readonly (readonly number[])[];
}

const indexOf = memoryBeside((entries: readonly Findable[]): Index => {
  const at = new Map<string, number[]>();
  entries.forEach((entry, place) => {
    for (const word of new Set(wordsOf(entry))) {
      const places = at.get(word);
      if (places) places.push(place);
      else at.set(word, [place]);
    }
  });
  const words = [...at.keys()].sort();
  return { words, places: words.map((w) => at.get(w)!) };
});

/**
 * Best fit of a token to each entry that has it, by place: the word itself, one that begins with it, one that has it inside. A number
 * is the beginning of no other number. Every distinct word is looked at once, however many entries share it.
 */
function fitting(token: string, { words, places }: Index): Map<number, number> {
  const best = new Map<number, number>();
  const give = (i: number, score: number): void => {
    for (const place of places[i]!) if ((best.get(place) ?? 0) < score) best.set(place, score);
  };
  const isNumber = /\d$/.test(token);
  const first = firstIndex(words.length, (i) => words[i]! >= token);
  let after = first;
  for (; after < words.length && words[after]!.startsWith(token); after++) {
    const word = words[after]!;
    if (word.length === token.length) give(after, WHOLE);
    else if (!isNumber || !/[\d.]/.test(word[token.length]!)) give(after, BEGINNING);
  }
  if (token.length >= LEAST_INSIDE)
    for (let i = 0; i < words.length; i++)
      if ((i < first || i >= after) && words[i]!.includes(token)) give(i, INSIDE);
  return best;
}

/**
 * Entries in which everything typed is found, those that fit best first and as they stood among equals. “12 5fl” finds five-flute
 * cutters of 12 mm, and none of 120. The list is indexed once: hand over the same one at each key.
 */
export function found<T extends Findable>(typed: string, entries: readonly T[]): readonly T[] {
  const asked = tokensOf(typed);
  if (asked.length === 0) return entries;
  const index = indexOf(entries);
  let scores: Map<number, number> | null = null;
  for (const token of asked) {
    const fits = fitting(token, index);
    if (scores === null) scores = fits;
    else
      for (const [place, score] of scores) {
        const more = fits.get(place);
        if (more === undefined) scores.delete(place);
        else scores.set(place, score + more);
      }
  }
  return [...scores!].sort(([p, a], [q, b]) => b - a || p - q).map(([place]) => entries[place]!);
}
