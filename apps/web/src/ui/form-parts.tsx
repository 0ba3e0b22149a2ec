import { type Operation, type Unit, UNITS } from '@burl/core';
import type { ReactNode } from 'react';
import { useSystem } from '../frame/preferences.tsx';
import { Field, FIELD_LOOK } from './field.tsx';
import { NumberInput } from './number-input.tsx';

/** A number with its label, in the unit of the page. */
export function Num({
  label,
  value,
  unit,
  readOnly,
  onTake,
  empty = false,
  strict = false,
  hint,
}: {
  label: string;
  value: number | null;
  unit: Unit;
  readOnly: boolean;
  onTake: (v: number | null) => void;
  empty?: boolean;
  /** What cannot be read stays and stops the form, where a number left out would change what is kept. */
  strict?: boolean;
  hint?: string;
}) {
  const system = useSystem();
  return (
    <Field label={label} unit={UNITS[unit][system].label} {...(hint ? { hint } : {})}>
      {(p) => (
        <NumberInput
          {...p}
          value={value}
          unit={unit}
          readOnly={readOnly}
          allowEmpty={empty}
          strict={strict}
          onTake={onTake}
          className={FIELD_LOOK}
        />
      )}
    </Field>
  );
}

/** One of a few words, or of a few things called by `nameOf`. */
export function Choice<T extends string>({
  label,
  value,
  options,
  readOnly,
  nameOf = (option) => option,
  onTake,
}: {
  label: string;
  value: T;
  options: readonly T[];
  readOnly: boolean;
  nameOf?: (option: T) => string;
  onTake: (v: T) => void;
}) {
  return (
    <Field label={label}>
      {(p) => (
        <select
          {...p}
          value={value}
          disabled={readOnly}
          onChange={(e) => onTake(e.target.value as T)}
          className={FIELD_LOOK}
        >
          {options.map((o) => (
            <option key={o} value={o}>
              {nameOf(o)}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}

export const Grid = ({ children }: { children: ReactNode }) => (
  <div className="grid grid-cols-2 gap-2">{children}</div>
);

/** What every form of the given gets. */
export interface FormProps<O extends Operation> {
  readonly op: O;
  readonly readOnly: boolean;
  readonly onChange: (next: Operation) => void;
}
