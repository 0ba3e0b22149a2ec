import { type Cutter, InputError, missingMaterials, type ToolMaterials } from '@burl/core';
import same from 'fast-deep-equal';
import * as yup from 'yup';
import { fieldAt, valueAt, withValueAt } from '../crib-fields/entry-fields.ts';
import type { CribKind } from '../crib-kinds.ts';
import { CRIB_SCHEMAS } from '../crib-schema.ts';
import { problemsFromYup } from '../problems-from-yup.ts';
import { csvRows } from './csv-rows.ts';
import type { RowShelf, Tree } from './file-row.ts';
import { cutterByFamily, holderByClass } from './from-family.ts';
import { MOST_ROWS, type RowProblem } from './import-report.ts';
import { jsonRows } from './json-rows.ts';
import { ownId } from './slug.ts';

/** What stands in the crib already. */
export interface Known {
  readonly id: string;
  readonly origin: 'built-in' | 'shop';
  readonly version: number;
  readonly document: unknown;
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
