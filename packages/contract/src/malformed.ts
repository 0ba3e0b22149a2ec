import type { InputProblem } from '@burl/core';

/** Deeper than any document of ours. */
const DEEPEST = 24;
const MOST_VALUES = 5000;

const tooMany = (field: string, most: number): InputProblem => ({
  field,
  value: `more than ${most} values`,
  allowed: `${most} values`,
});
const tooDeep = (): InputProblem => ({
  field: 'body',
  value: `more than ${DEEPEST} levels`,
  allowed: `${DEEPEST} levels deep`,
});

const [QUOTE, BACKSLASH, COMMA] = [0x22, 0x5c, 0x2c];
const OPENING = new Set([0x5b, 0x7b]);
const CLOSING = new Set([0x5d, 0x7d]);

/** Where a word ends that begins at a quote: at the next one that is not escaped; −1 where there is none. */
function endOfWord(text: string, begin: number): number {
  for (let at = text.indexOf('"', begin + 1); at >= 0; at = text.indexOf('"', at + 1)) {
    let slashes = 0;
    while (text.charCodeAt(at - 1 - slashes) === BACKSLASH) slashes++;
    if (slashes % 2 === 0) return at;
  }
  return -1;
}

/**
 * JSON text that holds more than it may, told before it is read: ten megabytes of zeros take seconds to become a list, and a tenth of
 * a second to count. Says nothing about whether it is JSON at all.
 */
export function overlong(text: string, mostValues = MOST_VALUES): InputProblem | null {
  let [commas, depth, at] = [0, 0, 0];
  for (; at < text.length; at++) {
    const c = text.charCodeAt(at);
    if (c === QUOTE) {
      at = endOfWord(text, at);
      if (at < 0) return null;
    } else if (c === COMMA) {
      if (++commas > mostValues) return tooMany('body', mostValues);
    } else if (OPENING.has(c)) {
      if (++depth > DEEPEST) return tooDeep();
    } else if (CLOSING.has(c)) depth--;
  }
  return null;
}

/** How many values are in a list or an object; beyond `most` it does not matter how many. */
function countOf(at: object, most: number): number {
  if (Array.isArray(at)) return at.length;
  let n = 0;
  for (const key in at) if (Object.hasOwn(at, key) && ++n > most) break;
  return n;
}

/**
 * What no body may hold, looked for before its schema reads it: too many values, nesting without end, characters that are none.
 * Walks without recursion, and no further than the first thing that is wrong.
 */
export function malformed(body: unknown, mostValues = MOST_VALUES): InputProblem | null {
  const open: { readonly at: unknown; readonly path: string; readonly depth: number }[] = [
    { at: body, path: '', depth: 0 },
  ];
  let seen = 0;
  for (let next = open.pop(); next; next = open.pop()) {
    const { at, path, depth } = next;
    if (typeof at === 'string') {
      const wrong = wrongText(at);
      if (wrong) return { field: path || 'body', value: wrong, allowed: 'text in Unicode without NUL' };
      continue;
    }
    if (typeof at !== 'object' || at === null) continue;
    if (depth >= DEEPEST) return tooDeep();
    seen += countOf(at, mostValues);
    if (seen > mostValues) return tooMany(path || 'body', mostValues);
    for (const [key, value] of Object.entries(at) as [string, unknown][]) {
      // Numbers and the like cannot be wrong here, and a response has tens of thousands of them.
      if (typeof value !== 'string' && (typeof value !== 'object' || value === null)) continue;
      const name = wrongText(key) ? '?' : key.slice(0, 60);
      if (wrongText(key))
        return { field: path || 'body', value: 'a name of a field', allowed: 'text in Unicode without NUL' };
      const inside = Array.isArray(at) ? `${path}[${name}]` : path ? `${path}.${name}` : name;
      open.push({ at: value, path: inside, depth: depth + 1 });
    }
  }
  return null;
}

function wrongText(text: string): string | null {
  if (text.includes('\0')) return 'text with a NUL character';
  return text.isWellFormed() ? null : 'text with half a character (a lone surrogate)';
}
