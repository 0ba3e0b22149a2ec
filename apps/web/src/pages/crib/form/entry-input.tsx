import { type EntryField, valueAt } from '@burl/contract';
import { UNITS } from '@burl/core';
import { type ReactNode, useId } from 'react';
import { useSystem } from '../../../frame/preferences.tsx';
import { Field, FIELD_LOOK } from '../../../ui/field.tsx';
import { NumberInput } from '../../../ui/number-input.tsx';

export interface EntryInputProps {
  readonly field: EntryField;
  readonly document: unknown;
  readonly error: string | undefined;
  /** Names of the options where the field itself does not list them. */
  readonly names?: Readonly<Record<string, string>>;
  readonly onSet: (value: unknown) => void;
}

const labelOf = ({ label, symbol }: EntryField): string => (symbol ? `${label}, ${symbol}` : label);
const PARTS = {
  two: ['from', 'to'],
  three: ['least', 'usual', 'most'],
  span: ['least', 'usual', 'most'],
} as const;
const KEYS = ['low', 'typical', 'high'] as const;

/** Two or three numbers of one value, side by side under one heading. */
function Several({ field, document, error, onSet }: EntryInputProps) {
  const system = useSystem();
  const id = useId();
  const parts = PARTS[field.kind as keyof typeof PARTS];
  const given = valueAt(document, field.path);
  const value = (i: number): number | null => {
    const at = field.kind === 'span' ? valueAt(given, KEYS[i]!) : (given as number[] | null | undefined)?.[i];
    return typeof at === 'number' ? at : null;
  };
  const set = (i: number, next: number | null): void => {
    const all = parts.map((_, j) => (j === i ? next : value(j)));
    if (all.every((v) => v === null)) onSet(field.required ? undefined : null);
    else if (field.kind === 'span')
      onSet(Object.fromEntries(all.map((v, j) => [KEYS[j], v]).filter(([, v]) => v !== null)));
    else onSet(all);
  };
  const unit = field.unit ? UNITS[field.unit][system].label : '';
  return (
    <fieldset className="min-w-0" aria-describedby={error ? `${id}-note` : undefined}>
      <legend className="mb-0.5 text-[13px] font-semibold">
        {labelOf(field)}
        {unit && <span className="font-normal text-soft">, {unit}</span>}
      </legend>
      <div className="flex gap-1.5">
        {parts.map((part, i) => (
          <label key={part} className="min-w-0 flex-1 text-[12px] text-soft">
            <NumberInput
              value={value(i)}
              unit={field.unit ?? 'ratio'}
              allowEmpty
              aria-invalid={Boolean(error)}
              aria-label={`${field.label}, ${part}`}
              className={FIELD_LOOK}
              onTake={(next) => set(i, next)}
            />
            {part}
          </label>
        ))}
      </div>
      {error && (
        <p id={`${id}-note`} role="alert" className="mt-0.5 text-[12.5px] text-over">
          {error}
        </p>
      )}
    </fieldset>
  );
}

/** Some of a list, each a box. */
function Some({ field, document, error, onSet }: EntryInputProps) {
  const given = (valueAt(document, field.path) as readonly string[] | undefined) ?? [];
  // What an entry has beyond the usual stays to be chosen.
  const options = [...new Set([...(field.options ?? []), ...given])];
  return (
    <fieldset>
      <legend className="mb-0.5 text-[13px] font-semibold">{field.label}</legend>
      <div className="flex flex-wrap gap-x-3 gap-y-1">
        {options.map((option) => (
          <label key={option} className="flex items-center gap-1 text-[13px]">
            <input
              type="checkbox"
              checked={given.includes(option)}
              onChange={(e) =>
                onSet(e.target.checked ? [...given, option] : given.filter((g) => g !== option))
              }
            />
            {option}
          </label>
        ))}
      </div>
      {error && (
        <p role="alert" className="text-[12.5px] text-over">
          {error}
        </p>
      )}
    </fieldset>
  );
}

function listIn(text: string): number[] | null {
  const numbers = text
    .split(/[\s;]+/)
    .filter(Boolean)
    .map(Number);
  return numbers.length === 0 ? null : numbers;
}

/** One value of an entry, in the units of the page. */
export function EntryInput(props: EntryInputProps): ReactNode {
  const { field, document, error, names, onSet } = props;
  const system = useSystem();
  const given = valueAt(document, field.path);
  switch (field.kind) {
    case 'two':
    case 'three':
    case 'span':
      return <Several {...props} />;
    case 'some-of':
      return <Some {...props} />;
    case 'yes-no':
      return (
        <label className="flex min-h-9 items-center gap-2 self-end text-[13px] font-semibold">
          <input type="checkbox" checked={given === true} onChange={(e) => onSet(e.target.checked)} />
          {field.label}
        </label>
      );
    case 'number':
    case 'whole':
      return (
        <Field
          label={labelOf(field)}
          unit={field.unit ? UNITS[field.unit][system].label : ''}
          error={error}
          {...(field.hint ? { hint: field.hint } : {})}
        >
          {(p) => (
            <NumberInput
              {...p}
              value={typeof given === 'number' ? given : null}
              unit={field.unit ?? (field.kind === 'whole' ? 'pieces' : 'ratio')}
              allowEmpty
              className={FIELD_LOOK}
              onTake={(next) => onSet(next ?? undefined)}
            />
          )}
        </Field>
      );
    case 'one-of': {
      const options = [...(field.options ?? Object.keys(names ?? {}))];
      if (typeof given === 'string' && given !== '' && !options.includes(given)) options.unshift(given);
      return (
        <Field label={labelOf(field)} error={error}>
          {(p) => (
            <select
              {...p}
              value={typeof given === 'string' ? given : ''}
              onChange={(e) => onSet(e.target.value)}
              className={FIELD_LOOK}
            >
              {given === undefined || given === '' ? <option value="">choose</option> : null}
              {options.map((o) => (
                <option key={o} value={o}>
                  {field.nameOf?.(o) ?? names?.[o] ?? o}
                </option>
              ))}
            </select>
          )}
        </Field>
      );
    }
    case 'list':
      return (
        <Field label={labelOf(field)} error={error} {...(field.hint ? { hint: field.hint } : {})}>
          {(p) => (
            <input
              {...p}
              key={String(given)}
              defaultValue={Array.isArray(given) ? given.join(' ') : ''}
              onBlur={(e) => onSet(listIn(e.target.value))}
              className={FIELD_LOOK}
            />
          )}
        </Field>
      );
    default:
      return (
        <Field label={labelOf(field)} error={error} {...(field.hint ? { hint: field.hint } : {})}>
          {(p) => (
            <input
              {...p}
              value={typeof given === 'string' ? given : ''}
              onChange={(e) => onSet(e.target.value)}
              className={FIELD_LOOK}
            />
          )}
        </Field>
      );
  }
}
