import { Minus, Plus } from 'lucide-react';
import { useId, useState } from 'react';

/** A number with large buttons for gloves; it can be typed as well. */
export function TapNumber({
  label,
  value,
  step,
  low,
  high,
  unit = '',
  onTake,
}: {
  label: string;
  value: number | null;
  step: number;
  low: number;
  high: number;
  unit?: string;
  onTake: (value: number | null) => void;
}) {
  const id = useId();
  // What is being typed stands as it is typed: half a number, as “0.” or “−”, is none yet.
  const [draft, setDraft] = useState<string | null>(null);
  const move = (by: number): void => {
    setDraft(null);
    const next = Math.round(((value ?? 0) + by) / step) * step;
    onTake(Math.min(high, Math.max(low, Number(next.toFixed(6)))));
  };
  const look =
    'flex size-12 items-center justify-center rounded-lg border-2 border-line bg-card hover:bg-accent-soft';
  return (
    <div>
      <label htmlFor={id} className="mb-1 block font-semibold">
        {label}
        {unit && <span className="font-normal text-soft">, {unit}</span>}
      </label>
      <div className="flex items-center gap-2">
        <button type="button" aria-label={`${label} less`} className={look} onClick={() => move(-step)}>
          <Minus size={20} aria-hidden="true" />
        </button>
        <input
          id={id}
          inputMode="decimal"
          value={draft ?? value ?? ''}
          onBlur={() => setDraft(null)}
          placeholder="–"
          onChange={(e) => {
            setDraft(e.target.value);
            const text = e.target.value.replace(',', '.').replace('−', '-').trim();
            const typed = Number(text);
            if (text === '') onTake(null);
            else if (Number.isFinite(typed)) onTake(Math.min(high, Math.max(Math.min(low, 0), typed)));
          }}
          className="h-12 w-20 rounded-lg border-2 border-line bg-card text-center text-[20px] font-semibold tabular-nums"
        />
        <button type="button" aria-label={`${label} more`} className={look} onClick={() => move(step)}>
          <Plus size={20} aria-hidden="true" />
        </button>
      </div>
    </div>
  );
}
