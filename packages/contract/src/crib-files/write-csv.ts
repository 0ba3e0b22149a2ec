import Papa from 'papaparse';
import type { CribEntry, Stock } from '../crib.ts';
import { valueAt } from '../crib-fields/entry-fields.ts';
import type { CribKind } from '../crib-kinds.ts';
import { harmless } from './cell-text.ts';
import { cellOf, type Column, columnsOf, PART_KEYS } from './columns.ts';
import { inLetters } from './read-cell.ts';

function textOf(document: unknown, { field, part }: Column): string {
  const value = valueAt(document, field.path);
  if (value === undefined || value === null) return '';
  if (part !== undefined) {
    const at = Array.isArray(value) ? (value as unknown[])[part] : valueAt(value, PART_KEYS[part]!);
    return typeof at === 'number' ? cellOf(at, field.unit, 'metric') : '';
  }
  // Letters and numbers stand apart with a blank; a word may have one inside.
  if (Array.isArray(value)) return value.join(field.kind === 'some-of' && !inLetters(field) ? '; ' : ' ');
  if (typeof value === 'number') return cellOf(value, field.unit, 'metric');
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return typeof value === 'string' ? value : '';
}

/** A number begins with a sign and is none. */
const guarded = (cell: string): string => (Number.isNaN(Number(cell)) ? harmless(cell) : cell);

export const SHELF_HEADINGS = ['Edges in stock', 'Place', 'Price of an edge'] as const;

/** Entries of one piece of a file. */
const AT_ONCE = 200;

/**
 * Entries as CSV, piece by piece: ISO 13399 symbols and units in the headings, metric. Columns no entry fills are left out. Whoever asks
 * may do something else between two pieces.
 */
export function* cribCsv(
  kind: CribKind,
  entries: readonly CribEntry[],
  stock: readonly Stock[] = [],
): Generator<string> {
  const columns = columnsOf(kind);
  const shelf = new Map(stock.map((s) => [s.cutterId, s]));
  const filled = new Set<Column>();
  for (let i = 0; i < entries.length; i += AT_ONCE) {
    for (const c of columns)
      if (!filled.has(c) && entries.slice(i, i + AT_ONCE).some((e) => textOf(e.document, c) !== ''))
        filled.add(c);
    yield '';
  }
  const shown = columns.filter((c) => filled.has(c));
  const heads = ['Id', ...shown.map((c) => c.heading), ...(kind === 'cutters' ? SHELF_HEADINGS : [])];
  yield Papa.unparse([heads], { newline: '\r\n' });
  for (let i = 0; i < entries.length; i += AT_ONCE) {
    const rows = entries.slice(i, i + AT_ONCE).map((e) => {
      const on = shelf.get(e.id);
      return [
        e.id,
        ...shown.map((c) => guarded(textOf(e.document, c))),
        ...(kind === 'cutters' ? [on?.edges ?? '', guarded(on?.place ?? ''), on?.price ?? ''] : []),
      ];
    });
    yield `\r\n${Papa.unparse(rows, { newline: '\r\n' })}`;
  }
}
