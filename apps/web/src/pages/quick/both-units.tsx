import { formatMeasure, formatField, type Quantity, UNITS } from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { NumberInput } from '../../ui/number-input.tsx';
import { Why } from '../../ui/why.tsx';
import type { Evaluation } from '@burl/core';

/** A number of the cut by name and symbol, large, to be typed over, and the same in the other units below. */
export function BothUnits({
  quantity,
  evaluation,
  onTake,
}: {
  quantity: Quantity;
  evaluation: Evaluation;
  /** Absent where the number only follows. */
  onTake?: (value: number) => void;
}) {
  const system = useSystem();
  const other = system === 'metric' ? 'inch' : 'metric';
  const { name, symbol, unit, value } = quantity;
  const otherWords = formatMeasure(value, unit, other);
  return (
    <div className="min-w-0 rounded-lg border border-line bg-card px-2.5 py-1.5">
      <div className="flex items-center justify-between gap-1">
        <span className="min-w-0 text-[12.5px] text-soft">
          <span className="inline-block first-letter:uppercase">{name}</span>{' '}
          <b className="text-ink">{symbol}</b>
        </span>
        <Why name={name} what={quantity} band={quantity} unit={unit} sources={evaluation.sources} />
      </div>
      <div className="flex items-baseline gap-1.5">
        {onTake ? (
          <NumberInput
            aria-label={name}
            value={value}
            unit={unit}
            onTake={(v) => v !== null && onTake(v)}
            className="w-0 min-w-0 flex-1 rounded border border-transparent bg-transparent text-[22px] leading-7 font-bold hover:border-field focus:border-field focus:bg-raised"
          />
        ) : (
          <span className="flex-1 text-[22px] leading-7 font-bold">{formatField(value, unit, system)}</span>
        )}
        <span className="text-[13px] text-soft">{UNITS[unit][system].label}</span>
      </div>
      <div className="text-[12.5px] text-soft">
        {otherWords === formatMeasure(value, unit, system) ? '\u00a0' : otherWords}
      </div>
    </div>
  );
}
