/** What JSON text can hold, of things and lists. */
export type Tree = { [key: string]: unknown } | unknown[];
export type Path = readonly (string | number)[];

/** Every place of a tree, branches included. */
export function placesOf(tree: unknown, at: Path = []): Path[] {
  if (typeof tree !== 'object' || tree === null) return [];
  return Object.entries(tree).flatMap(([key, value]) => {
    const here = [...at, Array.isArray(tree) ? Number(key) : key];
    return [here, ...placesOf(value, here)];
  });
}

/** A copy with one place changed, or taken away where `value` is undefined. */
export function changed<T extends Tree>(tree: T, path: Path, value: unknown): T {
  const copy = structuredClone(tree);
  let at = copy as Record<string, unknown>;
  for (const key of path.slice(0, -1)) at = at[key] as Record<string, unknown>;
  const last = path.at(-1)!;
  if (value !== undefined) at[last] = value;
  else if (Array.isArray(at)) at.splice(last as number, 1);
  else Reflect.deleteProperty(at, last);
  return copy;
}
