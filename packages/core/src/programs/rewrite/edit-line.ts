import type { Variables } from '../read/expression.ts';
import { type Word, wordsOf } from '../read/words.ts';

/** Words of a line for editing; variables stay what they are, their words are left alone. */
export function editable(text: string): readonly Word[] {
  const line = wordsOf(text, new Map() as Variables);
  return line.trouble || line.control ? [] : line.words;
}

/** Whether a value is written as a plain number, so that it may be replaced. */
const plain = (text: string, word: Word): boolean =>
  /^[A-Za-z]\s*[-+]?[\d.]+\s*$/.test(text.slice(word.start, word.end));

/** The line with a word set to a value, put behind its last word where it is not there; null where its value is worked out. */
export function withWord(text: string, letter: string, value: string): string | null {
  const words = editable(text);
  const there = words.findLast((w) => w.letter === letter);
  if (there)
    return plain(text, there)
      ? `${text.slice(0, there.start)}${text[there.start]}${value}${text.slice(there.end)}`
      : null;
  const last = words.at(-1);
  if (!last) return null;
  const tight = !/\s/.test(text.slice(0, last.end).trim());
  return `${text.slice(0, last.end)}${tight && words.length > 1 ? '' : ' '}${casedLike(text, letter)}${value}${text.slice(last.end)}`;
}

/** The letter small where the rest of the line is written small. */
function casedLike(text: string, letter: string): string {
  const bare = text.replace(/\(.*?\)/g, '');
  return /[a-z]/.test(bare) && !/[A-Z]/.test(bare) ? letter.toLowerCase() : letter;
}
