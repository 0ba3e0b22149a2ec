import type { ToolMaterials } from '@burl/core';
import Papa from 'papaparse';
import { fieldLabel, valueAt, withValueAt } from '../crib-fields/entry-fields.ts';
import type { CribKind } from '../crib-kinds.ts';
import { withoutApostrophe } from './cell-text.ts';
import { headingReader, PART_KEYS, type Heading } from './columns.ts';
import type { Row, Told, Tree } from './file-row.ts';
import { MOST_ROWS, type RowProblem } from './import-report.ts';
import { type Cell, numberIn, optionReader, readNumber, readSome, readYesNo } from './read-cell.ts';
import { SHELF_HEADINGS } from './write-csv.ts';

function fieldsIn(text: string): { rows: string[][]; problems: RowProblem[] } {
  // Blank lines are kept so that a row is told by the number the spreadsheet gives it.
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: false });
  return {
    rows: parsed.data,
    problems: parsed.errors
      .filter((e) => e.code !== 'UndetectableDelimiter')
      .map((e) => ({ row: (e.row ?? 0) + 1, column: '', value: e.code, allowed: 'a line of CSV' })),
  };
}

const SHELF = SHELF_HEADINGS.map((h) => h.toLowerCase());
const ID = 'id';

/** Rows of a CSV file as far as its headings name fields of the kind, with every cell that says none of its values. */
export function csvRows(
  kind: CribKind,
  text: string,
  materials: ToolMaterials,
): { rows: Row[]; problems: RowProblem[]; unread: string[]; told: Told } {
  const { rows: lines, problems } = fieldsIn(text);
  const [heads = [], ...body] = lines;
  const read = headingReader(kind);
  const columns = heads.map((h) => read(h));
  const special = heads.map((h) => h.trim().toLowerCase());
  const unread = heads.filter(
    (h, i) => h.trim() && !columns[i] && special[i] !== ID && !SHELF.includes(special[i]!),
  );
  const names: Record<string, Record<string, string>> = {
    'extended.coating': Object.fromEntries(Object.entries(materials.coatings).map(([id, c]) => [id, c.name])),
    'extended.substrate': Object.fromEntries(
      Object.entries(materials.substrates).map(([id, c]) => [id, c.name]),
    ),
  };
  const options = columns.map((c) =>
    c?.column.field.kind === 'one-of' ? optionReader(c.column.field, names[c.column.field.path]) : null,
  );
  const told: Told = (path) => {
    const i = columns.findIndex((c) => c?.column.field.path === path);
    return i >= 0 ? heads[i]! : fieldLabel(kind, path);
  };
  if (!columns.some(Boolean))
    problems.push({
      row: 1,
      column: '',
      value: heads.slice(0, 6).join(', '),
      allowed: 'a first line with headings, like Name, Type, DC',
    });
  const cellOf = (cell: string, heading: Heading, i: number): Cell => {
    const { field, part } = heading.column;
    if (part !== undefined) return readNumber(cell, field, heading.system);
    switch (field.kind) {
      case 'number':
      case 'whole':
        return readNumber(cell, field, heading.system);
      case 'one-of':
        return options[i]!(cell);
      case 'some-of':
        return readSome(cell, field);
      case 'yes-no':
        return readYesNo(cell);
      case 'list': {
        const list = cell.split(/[\s;]+/).map(numberIn);
        return list.some((n) => n === null) ? { allowed: 'numbers with blanks between' } : { value: list };
      }
      default:
        return { value: withoutApostrophe(cell) };
    }
  };
  const filled = body
    .map((cells, n) => ({ cells, row: n + 2 }))
    .filter(({ cells }) => cells.some((c) => c.trim() !== ''));
  const rows = filled.slice(0, MOST_ROWS + 1).map(({ cells, row }): Row => {
    let tree: Tree = {};
    const wrong = (column: string, value: unknown, allowed: string) =>
      problems.push({ row, column, value, allowed });
    columns.forEach((heading, i) => {
      const cell = (cells[i] ?? '').trim();
      if (!heading || cell === '') return;
      const found = cellOf(cell, heading, i);
      if ('allowed' in found) return void wrong(heads[i]!, cell, found.allowed);
      const { field, part } = heading.column;
      if (part === undefined) tree = withValueAt(tree, field.path, found.value);
      else if (field.kind === 'span')
        tree = withValueAt(tree, `${field.path}.${PART_KEYS[part]!}`, found.value);
      else {
        const list = [...((valueAt(tree, field.path) as number[] | undefined) ?? [])];
        list[part] = found.value as number;
        tree = withValueAt(tree, field.path, list);
      }
    });
    const at = (name: string): string => (cells[special.indexOf(name)] ?? '').trim();
    const edges = special.includes(SHELF[0]!) ? at(SHELF[0]!) : '';
    const price = special.includes(SHELF[2]!) ? at(SHELF[2]!) : '';
    const [counted, costs] = [edges === '' ? null : numberIn(edges), price === '' ? null : numberIn(price)];
    if (edges !== '' && (counted === null || !Number.isInteger(counted) || counted < 0 || counted > 100_000))
      wrong(SHELF_HEADINGS[0], edges, 'a whole number, 0 to 100000');
    if (price !== '' && (costs === null || costs < 0 || costs > 1e6))
      wrong(SHELF_HEADINGS[2], price, '0 to 1000000');
    return {
      row,
      tree,
      id: special.includes(ID) && at(ID) !== '' ? at(ID) : null,
      shelf: counted === null ? null : { edges: counted, place: at(SHELF[1]!).slice(0, 80), price: costs },
    };
  });
  return { rows, problems, unread, told };
}

/** Id and name of each row. */
export function namedInCsv(kind: CribKind, text: string): { id: string | undefined; name: string }[] {
  const [heads = [], ...rows] = fieldsIn(text).rows;
  const read = headingReader(kind);
  const nameAt = heads.findIndex((h) => read(h)?.column.field.path === 'name');
  const idAt = heads.findIndex((h) => h.trim().toLowerCase() === ID);
  return rows.slice(0, MOST_ROWS).map((cells) => ({
    id: cells[idAt]?.trim(),
    name: withoutApostrophe(cells[nameAt]?.trim() ?? ''),
  }));
}
