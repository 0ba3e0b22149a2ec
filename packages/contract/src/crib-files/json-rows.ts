import type { CribKind } from '../crib-kinds.ts';
import { malformed } from '../malformed.ts';
import type { Row, Tree } from './file-row.ts';
import { MOST_ROWS, type RowProblem } from './import-report.ts';

/** Values in the largest file: a hundred of an entry. */
const MOST_VALUES = 100 * MOST_ROWS;

/** JSON Burl writes of a kind. */
export const CRIB_FILE_FORMAT = 'burl-crib';

/** Entries of a JSON file, or of a list alone. */
export function jsonRows(kind: CribKind, text: string): { rows: Row[]; problems: RowProblem[] } {
  const refuse = (value: unknown, allowed: string) => ({
    rows: [],
    problems: [{ row: 1, column: 'file', value, allowed }],
  });
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    return refuse(
      (error as Error).message.slice(0, 120),
      'JSON text; this file is damaged or something else',
    );
  }
  const wrong = malformed(data, MOST_VALUES);
  if (wrong) return refuse(wrong.value, wrong.allowed);
  const head = data as { format?: unknown; [k: string]: unknown } | null;
  const list = Array.isArray(data) ? data : head?.[kind];
  if (!Array.isArray(list))
    return refuse(
      typeof head === 'object' && head ? Object.keys(head).slice(0, 6).join(', ') : typeof data,
      `a file with a list of ${kind}, or such a list alone`,
    );
  const rows: Row[] = [];
  const problems: RowProblem[] = [];
  (list as unknown[]).slice(0, MOST_ROWS + 1).forEach((tree, i) => {
    if (typeof tree === 'object' && tree !== null && !Array.isArray(tree)) {
      const { id } = tree as Tree;
      rows.push({ row: i + 1, tree: tree as Tree, id: typeof id === 'string' ? id : null, shelf: null });
    } else problems.push({ row: i + 1, column: kind, value: tree, allowed: 'an entry with its fields' });
  });
  return { rows, problems };
}
