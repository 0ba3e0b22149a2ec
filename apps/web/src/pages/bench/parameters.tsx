import { memo } from 'react';
import {
  type Evaluation,
  movablesOf,
  type Operation,
  type OperationContext,
  type Parameter,
  parametersOf,
  type Quantity,
  UNITS,
} from '@burl/core';
import { Pin } from 'lucide-react';
import { useSystem } from '../../frame/preferences.tsx';
import { NumberInput } from '../../ui/number-input.tsx';
import { Why } from '../../ui/why.tsx';

const PINNABLE = new Set<string>(['n', 'vc', 'fz', 'fn', 'vf', 'hex', 'ap', 'ae']);

interface CellProps {
  readonly quantity: Quantity;
  readonly evaluation: Evaluation;
  readonly pinned: boolean;
  readonly readOnly: boolean;
  readonly before: number | null;
  /** What it is entered by; null where it only follows. */
  readonly step: number | null;
  readonly onTake: (key: Parameter, value: number) => void;
  readonly onPin: (key: string) => void;
}

/** A cell shows the number and, on asking, where it comes from: while the number stays, what is behind it may wait. */
const sameCell = (a: CellProps, b: CellProps): boolean =>
  a.quantity.value === b.quantity.value &&
  a.quantity.low === b.quantity.low &&
  a.quantity.high === b.quantity.high &&
  a.pinned === b.pinned &&
  a.readOnly === b.readOnly &&
  a.before === b.before &&
  a.step === b.step &&
  a.onTake === b.onTake &&
  a.onPin === b.onPin;

const Cell = memo(function Cell({
  quantity,
  evaluation,
  pinned,
  readOnly,
  before,
  step,
  onTake,
  onPin,
}: CellProps) {
  const system = useSystem();
  const changed = before !== null && Math.abs(quantity.value / before - 1) > 0.002;
  return (
    <div
      className={`-mr-px -mb-px min-w-0 border-r border-b border-line px-2 py-0.5 ${changed ? 'bg-accent-soft' : ''}`}
    >
      <div className="flex items-center justify-between gap-1 touch:flex-wrap touch:[&>span:first-child]:basis-full">
        <span className="flex min-w-0 gap-1 text-[12.5px] text-soft">
          <span className="block min-w-0 truncate first-letter:uppercase" title={quantity.name}>
            {quantity.name}
          </span>{' '}
          <b className="shrink-0 text-ink">{quantity.symbol}</b>
        </span>
        <span className="flex shrink-0">
          <Why
            name={quantity.name}
            what={quantity}
            band={quantity}
            unit={quantity.unit}
            sources={evaluation.sources}
          />
          {PINNABLE.has(quantity.key) && (
            <button
              type="button"
              aria-pressed={pinned}
              aria-label={`Pin ${quantity.name}`}
              disabled={readOnly}
              onClick={() => onPin(quantity.key)}
              className={`inline-flex size-6 items-center justify-center rounded hover:bg-accent-soft ${pinned ? 'bg-accent text-on-accent' : 'text-soft'}`}
            >
              <Pin size={13} aria-hidden="true" />
            </button>
          )}
        </span>
      </div>
      <div className="flex items-baseline gap-1">
        <NumberInput
          aria-label={quantity.name}
          value={quantity.value}
          unit={quantity.unit}
          step={step}
          readOnly={readOnly}
          onTake={(v) => v !== null && onTake(quantity.key as Parameter, v)}
          className="w-0 min-w-0 flex-1 rounded border border-transparent bg-transparent px-0.5 text-[20px] leading-7 font-bold hover:border-field focus:border-field focus:bg-raised touch:min-h-11"
        />
        <span className="shrink-0 text-[12.5px] text-soft">{UNITS[quantity.unit][system].label}</span>
      </div>
    </div>
  );
}, sameCell);

/** Every parameter can be typed and drives the others; a pin holds what must not move. */
export function Parameters({
  op,
  context,
  evaluation,
  compared,
  readOnly,
  onSet,
  onPin,
}: {
  op: Operation;
  context: OperationContext | null;
  evaluation: Evaluation;
  compared: Evaluation | null;
  readOnly: boolean;
  onSet: (key: Parameter, value: number) => void;
  onPin: (key: string) => void;
}) {
  const keys = parametersOf(op);
  const movables = context ? movablesOf(op, context) : [];
  return (
    <section
      aria-label="Parameters"
      className="grid shrink-0 grid-cols-4 overflow-hidden rounded-lg border border-line bg-card max-[1150px]:grid-cols-3 max-[900px]:grid-cols-4 max-[600px]:grid-cols-2"
    >
      {keys.map((key) => {
        const quantity = evaluation.numbers.find((q) => q.key === key);
        if (!quantity) return null;
        return (
          <Cell
            key={key}
            quantity={quantity}
            evaluation={evaluation}
            pinned={op.pins.includes(key)}
            readOnly={readOnly}
            before={compared?.numbers.find((q) => q.key === key)?.value ?? null}
            step={movables.find((m) => m.key === key)?.step ?? null}
            onTake={onSet}
            onPin={onPin}
          />
        );
      })}
    </section>
  );
}
