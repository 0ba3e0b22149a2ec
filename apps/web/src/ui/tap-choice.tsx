import { capital } from '@burl/core';
import { Circle, CircleCheck } from 'lucide-react';
import { useId } from 'react';

/** One of a few words as buttons for gloves; a second tap on the chosen one takes it back where nothing may be said. */
export function TapChoice<T extends string>({
  label,
  value,
  options,
  nameOf = capital,
  optional = true,
  onTake,
}: {
  label: string;
  value: T | null;
  options: readonly T[];
  nameOf?: (option: T) => string;
  optional?: boolean;
  onTake: (value: T | null) => void;
}) {
  const id = useId();
  return (
    <div role="group" aria-labelledby={id}>
      <p id={id} className="mb-1 font-semibold">
        {label}
      </p>
      <div className="flex flex-wrap gap-2">
        {options.map((o) => {
          const on = o === value;
          const Mark = on ? CircleCheck : Circle;
          return (
            <button
              key={o}
              type="button"
              aria-pressed={on}
              onClick={() => onTake(on && optional ? null : o)}
              className={`inline-flex min-h-12 min-w-24 items-center gap-2 rounded-lg border-2 px-3.5 text-[16px] font-semibold ${on ? 'border-accent bg-accent text-on-accent' : 'border-line bg-card hover:bg-accent-soft'}`}
            >
              <Mark size={18} aria-hidden="true" /> {nameOf(o)}
            </button>
          );
        })}
      </div>
    </div>
  );
}
