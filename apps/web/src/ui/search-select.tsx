import { type Findable, found } from '@burl/core';
import { useId, useMemo, useState } from 'react';
import { FIELD_LOOK } from './field.tsx';

/** One entry of a long list. */
export interface Searchable extends Findable {
  readonly note?: string;
}

/** So many are drawn; what one looks for is among them, or wants another word. */
const SHOWN = 60;

/** A choice from a list of thousands: words narrow it, the list below is chosen from. */
export function SearchSelect({
  label,
  what,
  list,
  value,
  rows = 7,
  disabled = false,
  error,
  onTake,
}: {
  label: string;
  /** What is looked for, `cutter`. */
  what: string;
  list: readonly Searchable[];
  value: string;
  rows?: number;
  disabled?: boolean;
  error?: string | undefined;
  onTake: (id: string) => void;
}) {
  const id = useId();
  const [typed, setTyped] = useState('');
  const fits = useMemo(() => found(typed, list), [typed, list]);
  const first = fits.slice(0, SHOWN);
  // What is chosen stays to be seen, whatever is looked for.
  const chosen = value && !first.some((e) => e.id === value) ? list.find((e) => e.id === value) : undefined;
  return (
    <div>
      <div className="mb-0.5 flex items-center gap-2">
        <label htmlFor={id} className="text-[13px] font-semibold">
          {label}
        </label>
        <input
          aria-label={`Find ${what}`}
          placeholder="12 5fl titanium"
          value={typed}
          disabled={disabled}
          onChange={(e) => setTyped(e.target.value)}
          onKeyDown={(e) => {
            // Enter takes the first that is found, and leaves the form alone.
            if (e.key !== 'Enter') return;
            e.preventDefault();
            if (first[0]) onTake(first[0].id);
          }}
          className="min-h-7 flex-1 rounded-md border border-line bg-raised px-2 text-[13px]"
        />
        <span className="text-[12px] text-soft" aria-live="polite">
          {fits.length.toLocaleString('en')}
        </span>
      </div>
      <select
        id={id}
        size={rows}
        value={value}
        disabled={disabled}
        aria-invalid={Boolean(error)}
        onChange={(e) => onTake(e.target.value)}
        className={`${FIELD_LOOK} h-auto`}
      >
        {[...(chosen ? [chosen] : []), ...first].map((e) => (
          <option key={e.id} value={e.id}>
            {e.name}
            {e.note ? ` (${e.note})` : ''}
          </option>
        ))}
      </select>
      {error && (
        <p role="alert" className="mt-0.5 text-[12.5px] text-over">
          {error}
        </p>
      )}
    </div>
  );
}
