import { type Cutter, InputError, missingMaterials, type ToolMaterials } from '@burl/core';
import Papa from 'papaparse';
import * as yup from 'yup';
import { fieldAt, fieldLabel, valueAt, withValueAt } from '../crib-fields/entry-fields.ts';
import type { CribKind } from '../crib-kinds.ts';
import { CRIB_SCHEMAS } from '../crib-schema.ts';
import { problemsFromYup } from '../job-file.ts';
import { malformed } from '../malformed.ts';
import { headingReader, PART_KEYS, type Heading } from './columns.ts';
import { cutterByFamily, holderByClass } from './from-family.ts';
import { MOST_ROWS, type RowProblem } from './import-report.ts';
import { type Cell, numberIn, optionReader, readNumber, readSome, readYesNo } from './read-cell.ts';
import { ownId } from './slug.ts';
import { SHELF_HEADINGS } from './write-csv.ts';

type Tree = Record<string, unknown>;

/** What stands in the crib already. */
export interface Known {
  readonly id: string;
  readonly origin: 'built-in' | 'shop';
  readonly version: number;
  readonly document: unknown;
}

/** The shelf as a row has it. */
export interface RowShelf {
  readonly edges: number;
  readonly place: string;
  readonly price: number | null;
}

export interface ReadEntry {
  readonly row: number;
  readonly document: Tree & { readonly id: string; readonly name: string };
  readonly shelf: RowShelf | null;
  /** The entry of the shop it changes, or the built-in one it repeats. */
  readonly before: Known | null;
}

export interface ReadFile {
  readonly rows: number;
  /** Ids of entries that are in the crib just so. */
  readonly same: ReadonlySet<string>;
  readonly entries: readonly ReadEntry[];
  readonly problems: readonly RowProblem[];
  readonly unread: readonly string[];
}

/** Values in the largest file: a hundred of an entry. */
const MOST_VALUES = 100 * MOST_ROWS;

/** JSON Burl writes of a kind. */
export const CRIB_FILE_FORMAT = 'burl-crib';

/** An apostrophe that keeps a cell from being a formula belongs to the file. */
const withoutApostrophe = (cell: string): string => cell.replace(/^'(?=[\s\p{C}]*[=+\-@])/u, '');

/** A row as it was read, before it is completed. */
interface Row {
  readonly row: number;
  readonly tree: Tree;
  readonly id: string | null;
  readonly shelf: RowShelf | null;
}

/** Which heading of the file a field is told at. */
type Told = (path: string) => string;

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

function csvRows(
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

function jsonRows(kind: CribKind, text: string): { rows: Row[]; problems: RowProblem[] } {
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

/** Ids and names a file may mean by its rows: all of the crib that reading it has to know. */
export function namedIn(
  kind: CribKind,
  { format, text }: { readonly format: 'csv' | 'json'; readonly text: string },
): { readonly ids: readonly string[]; readonly names: readonly string[] } {
  const [ids, names] = [new Set<string>(), new Set<string>()];
  const add = (id: unknown, name: unknown): void => {
    if (typeof id === 'string' && id) ids.add(id);
    if (typeof name !== 'string' || !name) return;
    names.add(name);
    ids.add(ownId(name));
  };
  if (format === 'csv') {
    const [heads = [], ...rows] = fieldsIn(text).rows;
    const read = headingReader(kind);
    const nameAt = heads.findIndex((h) => read(h)?.column.field.path === 'name');
    const idAt = heads.findIndex((h) => h.trim().toLowerCase() === ID);
    for (const cells of rows.slice(0, MOST_ROWS))
      add(cells[idAt]?.trim(), withoutApostrophe(cells[nameAt]?.trim() ?? ''));
  } else for (const { tree, id } of jsonRows(kind, text).rows) add(id, tree['name']);
  return { ids: [...ids], names: [...names] };
}

/** What a row says, over what its family or the entry it changes has. */
function over(base: unknown, own: Tree): Tree {
  const merged: Tree = { ...(base as Tree) };
  for (const [key, value] of Object.entries(own)) {
    const there = merged[key];
    merged[key] =
      typeof value === 'object' &&
      value !== null &&
      !Array.isArray(value) &&
      typeof there === 'object' &&
      there !== null
        ? over(there, value as Tree)
        : value;
  }
  return merged;
}

/** A count of teeth that is said once is said of both. */
function teethOf(tree: Tree): Tree {
  const [z, nof] = [valueAt(tree, 'properties.ZEFP'), valueAt(tree, 'properties.NOF')];
  if (z !== undefined && nof === undefined) return withValueAt(tree, 'properties.NOF', z);
  return z === undefined && nof !== undefined ? withValueAt(tree, 'properties.ZEFP', nof) : tree;
}

/** Order of an entry’s keys does not make it another. */
const same = (a: unknown, b: unknown): boolean => {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...keys].every((k) => same((a as Tree)[k], (b as Tree)[k]));
};

/**
 * Entries of a file, each completed by the rules of its family, with everything that is wrong by row and column. An entry of the shop of
 * the same id, or name where the file has no ids, is changed; a built-in one stays. What is not named in the file stays as it is.
 */
export function readCribFile(
  kind: CribKind,
  { format, text }: { readonly format: 'csv' | 'json'; readonly text: string },
  known: readonly Known[],
  materials: ToolMaterials,
): ReadFile {
  const raw =
    format === 'csv'
      ? csvRows(kind, text, materials)
      : { ...jsonRows(kind, text), unread: [], told: (path: string) => path };
  const problems = [...raw.problems];
  if (raw.rows.length > MOST_ROWS)
    return {
      rows: raw.rows.length,
      same: new Set(),
      entries: [],
      problems: [
        { row: MOST_ROWS + 2, column: '', value: 'more rows', allowed: `${MOST_ROWS} entries in a file` },
      ],
      unread: raw.unread,
    };
  const byId = new Map(known.map((k) => [k.id, k]));
  const byName = new Map(
    known.filter((k) => k.origin === 'shop').map((k) => [String((k.document as Tree)['name']), k]),
  );
  const wrongRows = new Set(problems.map((p) => p.row));
  const kinds = [raw.told('type'), raw.told('kind')];
  const untyped = new Set(problems.filter((p) => kinds.includes(p.column)).map((p) => p.row));
  const taken = new Map<string, number>();
  const names = new Map<string, number>();
  const counts = new Map<string, number>();
  const entries: ReadEntry[] = [];
  for (const { row, tree: given, id, shelf } of raw.rows) {
    const tree = kind === 'cutters' ? teethOf(given) : given;
    const tell = (path: string, value: unknown, allowed: string): void => {
      problems.push({ row, column: raw.told(path), value, allowed });
      wrongRows.add(row);
    };
    // Of what is no type nothing more can be said.
    if (untyped.has(row)) continue;
    const named = typeof tree['name'] === 'string' ? tree['name'] : null;
    const before = (id !== null ? byId.get(id) : named !== null ? byName.get(named) : undefined) ?? null;
    let base: unknown = before?.document ?? {};
    if (!before && format === 'csv')
      try {
        base =
          (kind === 'cutters' ? cutterByFamily(tree) : kind === 'holders' ? holderByClass(tree) : null) ?? {};
      } catch (error) {
        if (!(error instanceof InputError)) throw error;
        for (const p of error.problems) tell(p.field, p.value ?? '', p.allowed);
        continue;
      }
    const whole = over(base, tree);
    if (typeof whole['name'] !== 'string' || !whole['name']) whole['name'] = named ?? '';
    // A name twice in one file without ids would be one entry the next time it is read.
    const sameName = id === null && named !== null ? names.get(named) : undefined;
    if (sameName !== undefined) {
      tell('name', named, `a name of its own; row ${sameName} has it`);
      continue;
    }
    if (named !== null) names.set(named, row);
    const stem = id ?? before?.id ?? ownId(named ?? String((base as Tree)['id'] ?? ''));
    let own = stem;
    if (id === null && !before)
      while (byId.has(own) || taken.has(own)) {
        const n = (counts.get(stem) ?? 1) + 1;
        counts.set(stem, n);
        own = `${stem}-${n}`;
      }
    whole['id'] = own;
    const twice = taken.get(own);
    if (twice !== undefined) tell('id', own, `an id of its own; row ${twice} has it`);
    taken.set(own, row);
    try {
      CRIB_SCHEMAS[kind].validateSync(whole, { strict: true, abortEarly: false });
    } catch (error) {
      if (!(error instanceof yup.ValidationError)) throw error;
      for (const p of problemsFromYup(error).problems)
        tell(fieldAt(kind, p.field)?.path ?? p.field, p.value === undefined ? 'nothing' : p.value, p.allowed);
    }
    if (kind === 'cutters' && typeof valueAt(whole, 'extended.coating') === 'string')
      for (const p of missingMaterials(whole as unknown as Cutter, materials))
        tell(p.field, p.value, p.allowed);
    if (before?.origin === 'built-in' && !same(before.document, whole))
      tell('id', own, 'an id of the shop; built-in entries stay as they are');
    if (!wrongRows.has(row)) entries.push({ row, document: whole as ReadEntry['document'], shelf, before });
  }
  problems.sort((a, b) => a.row - b.row);
  return {
    rows: raw.rows.length,
    entries,
    same: new Set(
      entries.filter((e) => e.before && same(e.before.document, e.document)).map((e) => e.document.id),
    ),
    problems,
    unread: raw.unread,
  };
}
