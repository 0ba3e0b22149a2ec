import { type System, toShown, UNITS } from '@burl/core';
import type { CribKind } from '../crib-kinds.ts';
import { ENTRY_FIELDS, type EntryField } from '../crib-fields/entry-fields.ts';

/** A column of a crib file and how a cell of it is read and written. */
export interface Column {
  readonly heading: string;
  /** Other headings it is known by. */
  readonly also: readonly string[];
  readonly field: EntryField;
  /** Which of two or three numbers this column holds; undefined where the field is one. */
  readonly part?: number;
}

const PARTS: Readonly<Partial<Record<EntryField['kind'], readonly string[]>>> = {
  two: ['min', 'max'],
  three: ['min', 'typical', 'max'],
  span: ['min', 'typical', 'max'],
};
export const PART_KEYS = ['low', 'typical', 'high'] as const;

/** Unit said behind a heading, in the system of the file. */
const unitOf = ({ unit }: EntryField, system: System): string =>
  unit === undefined || !UNITS[unit][system].label || unit === 'ratio'
    ? ''
    : ` [${UNITS[unit][system].label}]`;

const other = (label: string): string[] => [label, label.split(':')[0]!, label.split(',')[0]!];

/** Columns of a kind: an ISO 13399 symbol where there is one, else the label; its unit in brackets. */
export const columnsOf = (kind: CribKind, system: System = 'metric'): readonly Column[] =>
  ENTRY_FIELDS[kind].flatMap((field): Column[] => {
    const name = field.symbol ?? field.label.split(':')[0]!.split(', from')[0]!;
    const parts = PARTS[field.kind];
    return parts
      ? parts.map((p, part) => ({
          heading: `${name} ${p}${unitOf(field, system)}`,
          also: [`${field.label} ${p}`, `${field.path} ${p}`],
          field,
          part,
        }))
      : [
          {
            heading: `${name}${unitOf(field, system)}`,
            also: [...other(field.label), field.path, field.path.split('.').at(-1)!],
            field,
          },
        ];
  });

/** Everyday headings of spreadsheets for what has a symbol. */
const EVERYDAY: Readonly<Record<string, string>> = {
  dia: 'DC',
  diameter: 'DC',
  d: 'DC',
  'tool diameter': 'DC',
  teeth: 'ZEFP',
  flutes: 'ZEFP',
  z: 'ZEFP',
  'number of flutes': 'ZEFP',
  'corner radius': 'RE',
  radius: 'RE',
  'cutting length': 'APMX',
  'flute length': 'APMX',
  loc: 'APMX',
  reach: 'LU',
  'usable length': 'LU',
  length: 'OAL',
  'overall length': 'OAL',
  shank: 'DCONMS',
  'shank diameter': 'DCONMS',
  helix: 'FHA',
  description: 'Name',
  tool: 'Name',
  groups: 'Rated for ISO groups',
  'iso group': 'Rated for ISO groups',
  'iso groups': 'Rated for ISO groups',
  'material groups': 'Rated for ISO groups',
  bore: 'DCONWS min',
};

export interface Heading {
  readonly column: Column;
  /** The file’s number in this unit system. */
  readonly system: System;
}

const plain = (text: string): string => text.toLowerCase().replace(/[_]+/g, ' ').replace(/\s+/g, ' ').trim();

/** What a heading of a file means: a symbol, a label or an everyday word, with a unit in brackets, parentheses or behind a comma. */
export function headingReader(kind: CribKind): (heading: string) => Heading | null {
  const known = new Map<string, Column>();
  for (const column of columnsOf(kind))
    for (const name of [column.heading.replace(/ \[.*\]$/, ''), ...column.also])
      if (!known.has(plain(name))) known.set(plain(name), column);
  for (const [word, meant] of Object.entries(EVERYDAY)) {
    const column = known.get(plain(meant));
    if (column && !known.has(word)) known.set(word, column);
  }
  return (heading) => {
    const unit = /[[(,]\s*(mm|in|inch|inches|"|m\/min|ipt|ipr|rpm)\s*[\])]?$/i
      .exec(heading)?.[1]
      ?.toLowerCase();
    const bare = plain(
      heading.replace(/\s*[[(,][^[(,]*[\])]?$/, (rest) => (unit || /[[(]/.test(rest) ? '' : rest)),
    );
    const column = known.get(bare) ?? known.get(plain(heading));
    if (!column) return null;
    return { column, system: unit && /^(in|inch|inches|"|ipt|ipr)$/.test(unit) ? 'inch' : 'metric' };
  };
}

/** A number as a cell of a file in metric shows it: exact, without thousands. */
export const cellOf = (value: number, unit: EntryField['unit'], system: System): string =>
  String(Number((unit === undefined ? value : toShown(value, unit, system)).toPrecision(12)));
