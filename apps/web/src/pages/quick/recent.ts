const KEY = 'burl.quick.recent';
const KEPT = 8;

/** A question asked before: its address and what it says. */
export interface Recent {
  readonly search: string;
  readonly label: string;
}

/** Questions of this browser, the last first. What cannot be read is none. */
export function recentQuestions(): readonly Recent[] {
  try {
    const list: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(list)
      ? list.filter(
          (r): r is Recent =>
            typeof (r as Recent)?.search === 'string' && typeof (r as Recent).label === 'string',
        )
      : [];
  } catch {
    return [];
  }
}

/** Keeps a question; asked again it moves to the front, and one that says the same takes the place of the other. */
export function keepQuestion(asked: Recent): readonly Recent[] {
  const next = [asked, ...recentQuestions().filter((r) => r.label !== asked.label)].slice(0, KEPT);
  try {
    localStorage.setItem(KEY, JSON.stringify(next));
  } catch {
    // A full store forgets the oldest; the page goes on without it.
  }
  return next;
}
