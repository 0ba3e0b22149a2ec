import { useSortable } from '@dnd-kit/sortable';
import { changeWords, type Evaluation, type Operation, type StationRisk } from '@burl/core';
import type { JobOperation } from '@burl/contract';
import { GripVertical, Trash2, TriangleAlert } from 'lucide-react';
import { Link } from 'react-router';
import { shareOfParts } from '../../judging/hole-words.ts';
import { StateWord } from '../../ui/state-mark.tsx';

/** An operation of the route with its judgement. */
export interface Judged {
  readonly operation: JobOperation;
  readonly evaluation: Evaluation | null;
  readonly document: Operation | null;
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
  onEarly: () => void;
  onRemove: () => void;
}) {
  const { operation, evaluation } = judged;
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: operation.id,
    disabled: readOnly,
  });
  const minutes = evaluation?.time.perPart ?? 0;
  const change = judged.document && evaluation ? changeWords(judged.document, evaluation) : null;
  const limit = evaluation?.limits.find((l) => l.id === evaluation.governing);
  return (
    <li
      ref={setNodeRef}
      style={{ transform: transform ? `translateY(${transform.y}px)` : undefined, transition }}
      className={`grid grid-cols-[28px_minmax(0,1.3fr)_minmax(0,1fr)_150px_36px] items-center gap-3 rounded-lg border bg-card p-2.5 ${isDragging ? 'z-10 border-accent shadow-lg' : 'border-line'}`}
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
        <span className="text-[12.5px] text-soft">
          {operation.variants.length > 1
            ? `variant ${operation.selected} of ${operation.variants.length}`
            : 'one variant'}
        </span>
        {change && <span className="block text-[12.5px] text-soft">edge changed {change}</span>}
        {risk && risk.chance >= 0.0005 && (
          <span className="block text-[12.5px] text-soft">
            {shareOfParts(risk.chance)} of parts at risk, {Math.round(risk.value).toLocaleString('en-GB')} in
            each by then
          </span>
        )}
        {risk?.warning && (
          <span className="mt-0.5 flex flex-wrap items-center gap-2 text-[12.5px]">
            <span className="inline-flex items-center gap-1 font-semibold text-tight">
              <TriangleAlert size={13} aria-hidden="true" /> Risky and late
            </span>
            {!readOnly && (
              <button type="button" onClick={onEarly} className="underline underline-offset-2">
                Bring it before {before}: saves{' '}
                {risk.earlier!.saves.toFixed(risk.earlier!.saves < 10 ? 1 : 0)} per part
              </button>
            )}
          </span>
        )}
      </div>
      <div className="min-w-0">
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
      <div>
        <span className="block text-right font-semibold">{minutes.toFixed(1)} min</span>
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
          className="flex size-8 items-center justify-center rounded text-soft hover:bg-accent-soft hover:text-over"
        >
          <Trash2 size={15} aria-hidden="true" />
        </button>
      )}
    </li>
  );
}
