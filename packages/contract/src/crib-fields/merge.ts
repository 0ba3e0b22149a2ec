import same from 'fast-deep-equal';
type Tree = Readonly<Record<string, unknown>>;

const isTree = (v: unknown): v is Tree => typeof v === 'object' && v !== null && !Array.isArray(v);

/** A value two people changed in two ways. */
export interface Clash {
  readonly path: string;
  readonly mine: unknown;
  readonly theirs: unknown;
}

/**
 * What two people made of the same entry, together: a value only one of them changed is as that one has it. Values both changed in two
 * ways are told and stand as mine; a list is one value.
 */
export function mergeEdits<T>(
  base: T,
  mine: T,
  theirs: T,
): { readonly merged: T; readonly clashes: readonly Clash[] } {
  const clashes: Clash[] = [];
  const merge = (b: unknown, m: unknown, t: unknown, path: string): unknown => {
    if (same(m, t) || same(b, t)) return m;
    if (same(b, m)) return t;
    if (isTree(m) && isTree(t)) {
      const from = isTree(b) ? b : {};
      const keys = new Set([...Object.keys(m), ...Object.keys(t)]);
      return Object.fromEntries(
        [...keys]
          .map((k) => [k, merge(from[k], m[k], t[k], path ? `${path}.${k}` : k)] as const)
          .filter(([, v]) => v !== undefined),
      );
    }
    clashes.push({ path, mine: m, theirs: t });
    return m;
  };
  return { merged: merge(base, mine, theirs, '') as T, clashes };
}
