import { type ImportReport, MOST_ROW_PROBLEMS } from './import-report.ts';
import type { ReadEntry, ReadFile } from './read-crib-file.ts';

/** Names a report lists of what it brings. */
const MOST_NAMES = 200;

export const isNew = (e: ReadEntry): boolean => e.before === null;
/** Entries of the crib that become others by it. */
export const changedBy = (file: ReadFile): readonly ReadEntry[] =>
  file.entries.filter((e) => !isNew(e) && !file.same.has(e.document.id));

/** What a file that was read does, or would do. */
export function reportOf(file: ReadFile, saved: boolean): ImportReport {
  const names = (list: readonly ReadEntry[]): string[] =>
    list.slice(0, MOST_NAMES).map((e) => e.document.name);
  const added = file.entries.filter(isNew);
  const changedOnes = changedBy(file);
  return {
    rows: file.rows,
    added: names(added),
    changed: names(changedOnes),
    counts: {
      added: added.length,
      changed: changedOnes.length,
      shelves: file.entries.filter((e) => !isNew(e) && e.shelf !== null).length,
    },
    same: file.entries.length - added.length - changedOnes.length,
    problems: file.problems.slice(0, MOST_ROW_PROBLEMS),
    more: Math.max(0, file.problems.length - MOST_ROW_PROBLEMS),
    unread: file.unread,
    saved,
  };
}
