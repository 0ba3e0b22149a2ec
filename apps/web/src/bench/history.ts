/** Undo history of one document. Changes of one gesture (same key, soon after) count as one step. */
export interface History<T> {
  readonly past: readonly T[];
  readonly present: T;
  readonly future: readonly T[];
  readonly gesture: { readonly key: string; readonly at: number } | null;
}

const SAME_GESTURE_MS = 900;
const MOST_STEPS = 200;

export const begin = <T>(present: T): History<T> => ({ past: [], present, future: [], gesture: null });

export function change<T>(h: History<T>, next: T, key: string | null, now: number): History<T> {
  if (next === h.present) return h;
  const same = key !== null && h.gesture?.key === key && now - h.gesture.at < SAME_GESTURE_MS;
  return {
    past: same ? h.past : [...h.past.slice(-MOST_STEPS + 1), h.present],
    present: next,
    future: [],
    gesture: key === null ? null : { key, at: now },
  };
}

export function undo<T>(h: History<T>): History<T> {
  const last = h.past.at(-1);
  return last === undefined
    ? h
    : { past: h.past.slice(0, -1), present: last, future: [h.present, ...h.future], gesture: null };
}

export function redo<T>(h: History<T>): History<T> {
  const [next, ...rest] = h.future;
  return next === undefined
    ? h
    : { past: [...h.past, h.present], present: next, future: rest, gesture: null };
}
