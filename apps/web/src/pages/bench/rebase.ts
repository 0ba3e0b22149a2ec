type Plain = Readonly<Record<string, unknown>>;

const isPlain = (v: unknown): v is Plain =>
  typeof v === 'object' && v !== null && Object.getPrototypeOf(v) === Object.prototype;

/**
 * What a hand changed on an older copy, done to the newest: fields where `changed` differs from `seen` are taken from
 * it, all others stay as they are in `newest`. Cards follow a few times a second, so a field may be edited on a card
 * that has not seen the edit before it. Lists are taken whole.
 */
export function rebase<T extends object>(seen: T, changed: T, newest: T): T {
  if (seen === newest) return changed;
  const merged: Record<string, unknown> = { ...(newest as Plain) };
  for (const key of new Set([...Object.keys(seen), ...Object.keys(changed)])) {
    const [was, is, now] = [seen, changed, newest].map((o) => (o as Plain)[key]);
    if (was === is) continue;
    if (isPlain(was) && isPlain(is) && isPlain(now)) merged[key] = rebase(was, is, now);
    else if (key in changed) merged[key] = is;
    else Reflect.deleteProperty(merged, key);
  }
  return merged as T;
}
