import { useSortable } from '@dnd-kit/sortable';
import { changeWords, type Evaluation, formatMeasure, type Operation, type StationRisk } from '@burl/core';
import type { JobOperation } from '@burl/contract';
import { GripVertical, Trash2, TriangleAlert } from 'lucide-react';
import { Link } from 'react-router';
import { amount } from '../../judging/amount.ts';
import { shareOfParts } from '../../judging/hole-words.ts';
import { useSystem } from '../../frame/preferences.tsx';
import { StateWord } from '../../ui/state-mark.tsx';

/** An operation of the route with its judgement. */
export interface Judged {
  readonly operation: JobOperation;
  readonly evaluation: Evaluation | null;
  readonly document: Operation | null;
  /** Name of its cutter. */
  readonly tool: string | null;
}

/** What one is asked for first of a cut. */
const CALLED = ['n', 'vf'];

/** Its tool, the numbers one asks for first, when the edge is changed, and what it puts at risk. */
function About({
  judged: { operation, evaluation, document, tool },
  risk,
  before,
  currency,
  onEarly,
}: {
  judged: Judged;
  risk: StationRisk | null;
  before: string;
  currency: string;
  /** Null for who may only read. */
  onEarly: (() => void) | null;
}) {
  const system = useSystem();
  const numbers = CALLED.flatMap((key) => evaluation?.numbers.find((q) => q.key === key) ?? [])
    .map((q) => `${q.symbol} ${formatMeasure(q.value, q.unit, system)}`)
    .join(', ');
  const change = document && evaluation ? changeWords(document, evaluation) : null;
  return (
    <>
      {tool && <span className="block truncate text-[13px]">{tool}</span>}
      <span className="block text-[13px]">
        {numbers}
        {operation.variants.length > 1 && (
          <span className="text-soft">
            {' '}
            · variant {operation.selected} of {operation.variants.length}
          </span>
        )}
      </span>
      {change && <span className="block text-[12.5px] text-soft">edge changed {change}</span>}
      {risk && risk.chance >= 0.0005 && (
        <span className="block text-[12.5px] text-soft">
          {shareOfParts(risk.chance)} of parts at risk, {amount(risk.value, currency)} in each by then
        </span>
      )}
      {risk?.warning && (
        <span className="mt-0.5 flex flex-wrap items-center gap-2 text-[12.5px]">
          <span className="inline-flex items-center gap-1 font-semibold text-tight">
            <TriangleAlert size={13} aria-hidden="true" /> Risky and late
          </span>
          {onEarly && (
            <button type="button" onClick={onEarly} className="underline underline-offset-2">
              Bring it before {before}: saves {amount(risk.earlier!.saves, currency)} per part
            </button>
          )}
        </span>
      )}
    </>
  );
}

/** One operation as a line of the route: what governs it, its minutes, what it puts at risk. */
export function Station({
  judged,
  number,
  jobId,
  widest,
  readOnly,
  risk,
  before,
  currency,
  onEarly,
  onRemove,
}: {
  judged: Judged;
  number: number;
  jobId: string;
  widest: number;
  readOnly: boolean;
  /** What it puts at risk where it stands; null for what carries none. */
  risk: StationRisk | null;
  /** Name of the operation it should come before. */
  before: string;
  currency: string;
  onEarly: () => void;
  onRemove: () => void;
}) {
  const { operation, evaluation } = judged;
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: operation.id,
    disabled: readOnly,
  });
  const minutes = evaluation?.time.perPart ?? 0;
  const limit = evaluation?.limits.find((l) => l.id === evaluation.governing);
  return (
    <li
      ref={setNodeRef}
      style={{ transform: transform ? `translateY(${transform.y}px)` : undefined, transition }}
      className={`grid grid-cols-[28px_minmax(0,1.6fr)_minmax(0,1fr)_130px_36px] items-center gap-3 max-[700px]:grid-cols-[28px_minmax(0,1fr)_36px] max-[700px]:gap-y-1 rounded-lg border bg-card p-2.5 ${isDragging ? 'z-10 border-accent shadow-lg' : 'border-line'}`}
    >
      <button
        type="button"
        {...attributes}
        {...listeners}
        disabled={readOnly}
        aria-label={`Move ${operation.name}`}
        className="flex size-7 touch-none items-center justify-center rounded text-soft hover:bg-accent-soft"
      >
        <GripVertical size={16} aria-hidden="true" />
      </button>
      <div className="min-w-0">
        <Link
          to={`/jobs/${jobId}/ops/${operation.id}`}
          className="block truncate font-semibold underline-offset-2 hover:underline"
        >
          {number} {operation.name}
        </Link>
        <About
          judged={judged}
          risk={risk}
          before={before}
          currency={currency}
          onEarly={readOnly ? null : onEarly}
        />
      </div>
      <div className="min-w-0 max-[700px]:col-start-2 max-[700px]:row-start-2">
        {evaluation ? (
          <>
            <StateWord state={evaluation.state} />
            <span className="block truncate text-[12.5px] text-soft">
              {evaluation.state === 'clear' ? `closest: ${limit?.name}` : limit?.name}
            </span>
          </>
        ) : (
          <span className="font-semibold text-over">needs input</span>
        )}
      </div>
      <div className="max-[700px]:col-start-2 max-[700px]:row-start-3">
        <span className="block text-right font-semibold max-[700px]:text-left">{minutes.toFixed(1)} min</span>
        <span className="block h-2 rounded-sm bg-paper">
          <span
            className="block h-2 rounded-sm bg-accent"
            style={{ width: `${Math.max(2, (100 * minutes) / Math.max(widest, 0.01))}%` }}
          />
        </span>
      </div>
      {!readOnly && (
        <button
          type="button"
          aria-label={`Remove ${operation.name}`}
          onClick={onRemove}
          className="flex size-8 items-center justify-center rounded text-soft hover:bg-accent-soft hover:text-over max-[700px]:col-start-3 max-[700px]:row-start-1 touch:size-11"
        >
          <Trash2 size={15} aria-hidden="true" />
        </button>
      )}
    </li>
  );
}
