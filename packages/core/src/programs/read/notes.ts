import type { Note } from './motion.ts';

/** Lines remembered of each note: enough to go to them, not a list as long as the program. */
const KEPT_LINES = 200;

/** Notes of a program, one for each thing however often it stands there. */
export interface Notes {
  add(kind: Note['kind'], what: string, means: string, line: number): void;
  list(): Note[];
}

export function makeNotes(): Notes {
  const known = new Map<
    string,
    { kind: Note['kind']; what: string; means: string; count: number; lines: number[] }
  >();
  return {
    add(kind, what, means, line) {
      const key = `${kind}|${what}|${means}`;
      const note = known.get(key) ?? { kind, what, means, count: 0, lines: [] };
      note.count++;
      if (note.lines.length < KEPT_LINES) note.lines.push(line);
      known.set(key, note);
    },
    list: () => [...known.values()].sort((a, b) => a.lines[0]! - b.lines[0]!),
  };
}
