import { type EntryField, valueAt } from '@burl/contract';
import { formatField, type System, type Unit } from '@burl/core';
import type { ReactNode } from 'react';
import { words } from './provenance.ts';

const shown = (v: unknown, unit: Unit | undefined, system: System): string =>
  typeof v === 'number' ? (unit ? formatField(v, unit, system) : String(v)) : String(v);

/** A value of a known field, in the units of the page. */
export function fieldText(field: EntryField, document: unknown, system: System): string {
  const value = valueAt(document, field.path);
  if (value === undefined || value === null || value === '') return 'none';
  if (field.kind === 'span') {
    const [low, typical, high] = ['low', 'typical', 'high'].map((k) =>
      shown(valueAt(value, k), field.unit, system),
    );
    return `${typical} (${low} to ${high})`;
  }
  if (Array.isArray(value)) {
    const list = value.map((v: unknown) => shown(v, field.unit, system));
    return field.kind === 'two' ? list.join(' to ') : list.join(', ');
  }
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return field.nameOf?.(value) ?? value;
  return shown(value, field.unit, system);
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
