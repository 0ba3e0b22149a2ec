import type { Unit } from '@burl/core';

/**
 * What a value of an entry is: a number, whole, a list of them, two numbers from and to, three from least over usual to most, the same as an object,
 * words, one of a list, several of a list, or yes and no.
 */
export type FieldKind =
  'number' | 'whole' | 'list' | 'two' | 'three' | 'span' | 'text' | 'one-of' | 'some-of' | 'yes-no';

/** One value of an entry as people see it: in forms, tables, files and the list of what changed. */
export interface EntryField {
  /** Where it stands in the document, `properties.DC`. */
  readonly path: string;
  readonly label: string;
  /** ISO 13399 symbol, where the standard has one. */
  readonly symbol?: string;
  readonly kind: FieldKind;
  readonly unit?: Unit;
  /** Heading it stands under in a form. */
  readonly group: string;
  readonly options?: readonly string[];
  readonly nameOf?: (option: string) => string;
  readonly required?: true;
  readonly hint?: string;
  /** Cutter types it belongs to, by the beginning of their names; all when absent. */
  readonly types?: readonly string[];
}

/** Whether a field belongs to a cutter of this type. */
export const fieldOfType = ({ types }: EntryField, type: string): boolean =>
  types === undefined || types.some((t) => type.startsWith(t));

type Tree = Readonly<Record<string, unknown>>;

/** What stands at a path of a document; undefined where nothing does. */
export const valueAt = (document: unknown, path: string): unknown =>
  path.split('.').reduce<unknown>((at, key) => {
    if (typeof at !== 'object' || at === null || !Object.hasOwn(at, key)) return undefined;
    return (at as Tree)[key];
  }, document);

/** The document with another value at a path; undefined takes it away. The rest is shared. */
export function withValueAt<T>(document: T, path: string, value: unknown): T {
  const [key = '', ...rest] = path.split('.');
  const tree = (document ?? {}) as Tree;
  const next = rest.length === 0 ? value : withValueAt(tree[key] ?? {}, rest.join('.'), value);
  if (next === undefined) {
    const { [key]: _, ...others } = tree;
    return others as T;
  }
  return { ...tree, [key]: next } as T;
}
