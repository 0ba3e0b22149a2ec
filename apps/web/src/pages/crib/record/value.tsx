import type { EntryField } from '@burl/contract';
import { formatField, type System, type ToolMaterials } from '@burl/core';
import type { ReactNode } from 'react';
import { words } from './provenance.ts';

/** What the page knows beside a value: its units, and what the shop calls coatings and substrates. */
export interface Telling {
  readonly system: System;
  readonly materials: ToolMaterials;
}

const SPAN = ['low', 'typical', 'high'] as const;
const nameOf = (id: string, path: string, { materials }: Telling): string | undefined =>
  path === 'extended.coating'
    ? materials.coatings[id]?.name
    : path === 'extended.substrate'
      ? materials.substrates[id]?.name
      : undefined;

/** A value of the record as a line of text, in the units of the page; of a field where one is known at `path`. */
export function valueText(
  value: unknown,
  path: string,
  field: EntryField | undefined,
  telling: Telling,
): string {
  const say = (v: unknown): string => valueText(v, path, field, telling);
  if (value === undefined || value === null || value === '') return 'none';
  if (typeof value === 'number')
    return field?.unit ? formatField(value, field.unit, telling.system) : String(value);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return nameOf(value, path, telling) ?? field?.nameOf?.(value) ?? value;
  if (Array.isArray(value)) {
    const list = value.map(say);
    if (value.some((v) => typeof v === 'object')) return list.join('; ');
    return field?.kind === 'two' && list.length === 2 ? list.join(' to ') : list.join(', ');
  }
  const parts = value as Readonly<Record<string, unknown>>;
  if (SPAN.every((k) => typeof parts[k] === 'number')) {
    const [low, typical, high] = SPAN.map((k) => say(parts[k]));
    return `${typical} (${low} to ${high})`;
  }
  return Object.entries(parts)
    .map(([k, v]) => `${words(k)} ${valueText(v, '', undefined, telling)}`)
    .join(', ');
}

/** A word of the record as people read it: identifiers have no underscores, sentences stay. */
const plain = (value: unknown): string =>
  typeof value === 'string' && /^\S+$/.test(value) ? words(value) : String(value);

/** Whatever else a record carries, as it stands there. */
export function Value({ value }: { value: unknown }): ReactNode {
  if (value === null || value === undefined) return <span className="text-soft">none</span>;
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) {
    if (value.every((v) => typeof v !== 'object')) return value.join(', ');
    return (
      <ul className="space-y-0.5">
        {value.map((v, i) => (
          <li key={i}>
            {typeof v === 'object' && v !== null
              ? Object.entries(v as object)
                  .map(([k, x]) => `${words(k)} ${String(x)}`)
                  .join(', ')
              : String(v)}
          </li>
        ))}
      </ul>
    );
  }
  if (typeof value === 'object') {
    const { low, typical, high } = value as { low?: number; typical?: number; high?: number };
    if (Object.keys(value).length === 3 && low !== undefined && typical !== undefined && high !== undefined) {
      return `${typical} (${low} to ${high})`;
    }
    return (
      <dl className="grid grid-cols-[auto_1fr] gap-x-3">
        {Object.entries(value).map(([k, v]) => (
          <div key={k} className="contents">
            <dt className="text-soft">{words(k)}</dt>
            <dd>
              <Value value={v} />
            </dd>
          </div>
        ))}
      </dl>
    );
  }
  return plain(value);
}
