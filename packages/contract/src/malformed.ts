import type { InputProblem } from '@burl/core';

/** Deeper than any document of ours. */
const DEEPEST = 24;
const MOST_VALUES = 5000;

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
    if (depth >= DEEPEST)
      return { field: 'body', value: `${depth + 1} levels`, allowed: `${DEEPEST} levels deep` };
    const entries: [string, unknown][] = Object.entries(at);
    seen += entries.length;
    if (seen > mostValues)
      return {
        field: path || 'body',
        value: `more than ${mostValues} values`,
        allowed: `${mostValues} values`,
      };
    for (const [key, value] of entries) {
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
