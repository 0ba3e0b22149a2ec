/** One value that differs between two documents, by its path. */
export interface Difference {
  readonly path: string;
  readonly before: unknown;
  readonly after: unknown;
}

/** Leaf by leaf differences of two plain documents; arrays are compared as wholes. */
export function differencesOf(before: unknown, after: unknown, path = ''): Difference[] {
  const plain = (x: unknown): x is Record<string, unknown> =>
    typeof x === 'object' && x !== null && !Array.isArray(x);
  if (plain(before) && plain(after)) {
    const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])].sort();
    return keys.flatMap((key) => differencesOf(before[key], after[key], path ? `${path}.${key}` : key));
  }
  return JSON.stringify(before) === JSON.stringify(after) ? [] : [{ path, before, after }];
}
