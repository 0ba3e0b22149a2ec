import { fromShown, type System } from '@burl/core';
import { CUTTER_TYPES, type EntryField, HOLDER_TYPES } from '../crib-fields/entry-fields.ts';

/** What a cell means, or what it may be. */
export type Cell = { readonly value: unknown } | { readonly allowed: string };

/** Words for types and kinds beside their names. */
const CALLED: Readonly<Record<string, string>> = {
  'end mill': 'end_mill_flat',
  endmill: 'end_mill_flat',
  'square end mill': 'end_mill_flat',
  'corner radius end mill': 'end_mill_bull',
  'bull nose': 'end_mill_bull',
  'ball nose': 'end_mill_ball',
  'ball end mill': 'end_mill_ball',
  'face mill': 'face_mill_45',
  'shoulder mill': 'face_mill_90',
  'shell mill': 'face_mill_90',
  drill: 'drill_solid',
  'solid drill': 'drill_solid',
  'twist drill': 'drill_hss',
  'jobber drill': 'drill_hss',
  'spot drill': 'spot_drill',
  tap: 'tap_spiral_flute',
  'form tap': 'tap_forming',
  'roll tap': 'tap_forming',
  chamfer: 'chamfer_mill',
  't-slot': 'disc_slot_cutter',
  threadmill: 'thread_mill',
  lollipop: 'lollipop_mill',
  'back chamfer': 'back_chamfer_mill',
  dovetail: 'dovetail_mill',
  'corner rounding': 'corner_rounding_mill',
  engraver: 'engraving_cutter',
  shrink: 'shrink',
  hydraulic: 'hydraulic',
  collet: 'collet',
  weldon: 'side_lock',
  'side lock': 'side_lock',
  arbor: 'arbor',
};

const plain = (text: string): string => text.toLowerCase().replace(/[_-]+/g, ' ').replace(/\s+/g, ' ').trim();

/** Options of a field by everything they are called. */
export function optionReader(
  field: EntryField,
  names: Readonly<Record<string, string>> = {},
): (cell: string) => Cell {
  const options = field.options ?? Object.keys(names);
  const known = new Map<string, string>();
  const called = { ...names, ...CUTTER_TYPES, ...HOLDER_TYPES };
  for (const id of options)
    for (const name of [id, called[id] ?? id, (called[id] ?? id).split(' (')[0]!])
      if (!known.has(plain(name))) known.set(plain(name), id);
  for (const [word, id] of Object.entries(CALLED))
    if (options.includes(id) && !known.has(plain(word))) known.set(plain(word), id);
  const allowed = `one of ${options.map((o) => called[o] ?? o).join('; ')}`;
  return (cell) => {
    const id = known.get(plain(cell));
    return id === undefined ? { allowed } : { value: id };
  };
}

const FRACTION = /^(?:(\d+)[\s-]+)?(\d+)\/(\d+)$/;

/** A number as people write it: 12, 12.5, 12,5, 1 1/2, with or without its unit. */
export function numberIn(cell: string): number | null {
  const bare = cell.replace(/\s*(mm|in|inch|"|rpm|bar|°|deg|µm|um|hz|kw)\s*$/i, '').trim();
  const fraction = FRACTION.exec(bare);
  if (fraction) return Number(fraction[1] ?? 0) + Number(fraction[2]) / Number(fraction[3]);
  const decimal = /^[-+]?\d+,\d+$/.test(bare)
    ? bare.replace(',', '.')
    : bare.replace(/(\d),(\d{3})\b/g, '$1$2');
  return /^[-+]?(\d+\.?\d*|\.\d+)(e[-+]?\d+)?$/i.test(decimal) ? Number(decimal) : null;
}

export function readNumber(cell: string, field: EntryField, system: System): Cell {
  const inch = /("|\bin|inch)\s*$/i.test(cell) && field.unit === 'mm' ? 'inch' : system;
  const n = numberIn(cell);
  if (n === null) return { allowed: field.kind === 'whole' ? 'a whole number' : 'a number' };
  if (field.kind === 'whole' && !Number.isInteger(n)) return { allowed: 'a whole number' };
  return { value: field.unit === undefined ? n : Number(fromShown(n, field.unit, inch).toPrecision(12)) };
}

const YES = new Set(['yes', 'y', 'true', '1', 'x', 'ja', 'oui']);
const NO = new Set(['no', 'n', 'false', '0', '-', 'nein', 'non']);

export function readYesNo(cell: string): Cell {
  const word = cell.toLowerCase();
  return YES.has(word) ? { value: true } : NO.has(word) ? { value: false } : { allowed: 'yes or no' };
}

/** Options of a letter each, like the ISO groups. */
export const inLetters = ({ options = [] }: EntryField): boolean =>
  options.length > 0 && options.every((o) => o.length === 1);

/** Several of a list: letters of groups stand together or apart, longer words are parted by semicolons or commas. */
export function readSome(cell: string, field: EntryField): Cell {
  const letters = inLetters(field);
  const parts = letters
    ? [...cell.toUpperCase().replace(/[^A-Z]/g, '')]
    : cell.split(/[;|,]/).map((p) => p.trim());
  const wrong = parts.filter((p) => !field.options?.includes(p));
  return parts.length === 0 || wrong.length > 0
    ? { allowed: `some of ${field.options?.join(letters ? ' ' : '; ') ?? ''}` }
    : { value: [...new Set(parts)] };
}
