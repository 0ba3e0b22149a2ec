import type { Unit } from '@burl/core';
import { Num } from './form-parts.tsx';

/** Keys of T that hold a number or nothing. */
type NumberKey<T> = { [K in keyof T]-?: T[K] extends number | null ? K : never }[keyof T] & string;

/** One number of a form. */
export interface NumberField<T> {
  readonly key: NumberKey<T>;
  readonly label: string;
  /** Pieces are whole numbers. */
  readonly unit: Unit;
  /** What an empty field stands for; without it there has to be a number above zero. */
  readonly empty?: null | 0;
  /** Zero may be stated where a number has to be there. */
  readonly zero?: true;
  /** Zero is shown as an empty field. */
  readonly blank?: true;
  readonly hint?: string;
}

/** What a form takes of what was typed; undefined where it cannot stand. */
function taken<T>(field: NumberField<T>, typed: number | null): number | null | undefined {
  if (typed === null) return field.empty;
  if (typed === 0 && field.empty === undefined && !field.zero) return undefined;
  if (field.unit !== 'pieces') return typed;
  return Math.max(field.empty === undefined && !field.zero ? 1 : 0, Math.round(typed));
}

/** Numbers of one thing side by side: each is taken as a change of that thing. */
export function NumberFields<T extends object>({
  of,
  fields,
  readOnly,
  onSet,
}: {
  of: T;
  fields: readonly NumberField<T>[];
  readOnly: boolean;
  onSet: (change: Partial<T>) => void;
}) {
  return fields.map((field) => {
    const value = of[field.key] as number | null;
    return (
      <Num
        key={field.key}
        label={field.label}
        value={field.blank && value === 0 ? null : value}
        unit={field.unit}
        empty={field.empty !== undefined}
        readOnly={readOnly}
        onTake={(typed) => {
          const next = taken(field, typed);
          if (next !== undefined) onSet({ [field.key]: next } as Partial<T>);
        }}
        {...(field.hint ? { hint: field.hint } : {})}
      />
    );
  });
}
