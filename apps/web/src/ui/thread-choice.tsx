import { THREAD_SERIES, type ThreadSeries } from '@burl/core';
import { Field, FIELD_LOOK } from './field.tsx';

/** Series of straight threads. */
export const STRAIGHT_THREADS: readonly ThreadSeries[] = THREAD_SERIES.filter((s) =>
  s.threads.every((t) => t.taper === 0),
);

/** A thread of the tables, by its series; `none` is what stands for no thread at all. */
export const ThreadChoice = ({
  value,
  series = THREAD_SERIES,
  none,
  readOnly,
  onTake,
}: {
  value: string | null;
  series?: readonly ThreadSeries[];
  none?: string;
  readOnly: boolean;
  onTake: (designation: string) => void;
}) => (
  <Field label="Thread">
    {(p) => (
      <select
        {...p}
        value={value ?? ''}
        disabled={readOnly}
        onChange={(e) => onTake(e.target.value)}
        className={FIELD_LOOK}
      >
        {none && <option value="">{none}</option>}
        {value && !series.some((s) => s.threads.some((t) => t.designation === value)) && (
          <option>{value}</option>
        )}
        {series.map((s) => (
          <optgroup key={s.id} label={`${s.name}, ${s.standard}`}>
            {s.threads.map((t) => (
              <option key={t.designation}>{t.designation}</option>
            ))}
          </optgroup>
        ))}
      </select>
    )}
  </Field>
);
