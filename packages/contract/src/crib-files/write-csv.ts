import Papa from 'papaparse';
import type { CribEntry, Stock } from '../crib.ts';
import { valueAt } from '../crib-fields/entry-fields.ts';
import type { CribKind } from '../crib-kinds.ts';
import { cellOf, type Column, columnsOf, PART_KEYS } from './columns.ts';

function textOf(document: unknown, { field, part }: Column): string {
  const value = valueAt(document, field.path);
  if (value === undefined || value === null) return '';
  if (part !== undefined) {
    const at = Array.isArray(value) ? (value as unknown[])[part] : valueAt(value, PART_KEYS[part]!);
    return typeof at === 'number' ? cellOf(at, field.unit, 'metric') : '';
  }
  if (Array.isArray(value)) return value.join(' ');
  if (typeof value === 'number') return cellOf(value, field.unit, 'metric');
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return typeof value === 'string' ? value : '';
}

/** A cell a spreadsheet would take for a formula is made text. */
const harmless = (cell: string): string =>
  /^[\s\p{C}]*[=+\-@＝＋－＠]|^\s/u.test(cell) && Number.isNaN(Number(cell)) ? `'${cell}` : cell;

export const SHELF_HEADINGS = ['Edges in stock', 'Place', 'Price of an edge'] as const;

/** Entries as CSV: ISO 13399 symbols and units in the headings, metric. Columns no entry fills are left out. */
export function cribCsv(kind: CribKind, entries: readonly CribEntry[], stock: readonly Stock[] = []): string {
  const columns = columnsOf(kind);
  const shelf = new Map(stock.map((s) => [s.cutterId, s]));
  const filled = columns.filter((c) => entries.some((e) => textOf(e.document, c) !== ''));
  const rows = entries.map((e) => ({
    Id: e.id,
    ...Object.fromEntries(filled.map((c) => [c.heading, harmless(textOf(e.document, c))])),
    ...(kind === 'cutters' && {
      [SHELF_HEADINGS[0]]: shelf.get(e.id)?.edges ?? '',
      [SHELF_HEADINGS[1]]: harmless(shelf.get(e.id)?.place ?? ''),
      [SHELF_HEADINGS[2]]: shelf.get(e.id)?.price ?? '',
    }),
  }));
  return Papa.unparse(rows, { newline: '\r\n' });
}
