/**
 * Undo history of one document. Changes of one gesture count as one step: the same key soon after, or however late
 * while the same press of the pointer is held.
 */
export interface History<T> {
  readonly past: readonly T[];
  readonly present: T;
  readonly future: readonly T[];
  readonly gesture: { readonly key: string; readonly at: number; readonly press: number | null } | null;
}

const SAME_GESTURE_MS = 900;
const MOST_STEPS = 200;

export const begin = <T>(present: T): History<T> => ({ past: [], present, future: [], gesture: null });

/** `now` in ms; `press` numbers the press of the pointer that is held, null when none is. */
export function change<T>(
  h: History<T>,
  next: T,
  key: string | null,
  now: number,
  press: number | null = null,
): History<T> {
  if (next === h.present) return h;
  const same =
    key !== null &&
    h.gesture?.key === key &&
    (now - h.gesture.at < SAME_GESTURE_MS || (press !== null && h.gesture.press === press));
  return {
    past: same ? h.past : [...h.past.slice(-MOST_STEPS + 1), h.present],
    present: next,
    future: [],
    gesture: key === null ? null : { key, at: now, press },
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
