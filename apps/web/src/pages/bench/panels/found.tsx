import { FREE_PARAMETERS, formatMeasure, type MillingOperation, movableOf, type Objective } from '@burl/core';
import type { OperationContext, SearchResult } from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';
import { Button } from '../../../ui/button.tsx';
import type { Preview } from '../notices.tsx';

/** What a search found: the numbers that change, how much better they are, and what stops it there. */
export function Found({
  found,
  op,
  context,
  objective,
  readOnly,
  onPreview,
}: {
  found: SearchResult;
  op: MillingOperation;
  context: OperationContext;
  objective: Objective;
  readOnly: boolean;
  onPreview: (found: Preview) => void;
}) {
  const system = useSystem();
  if (found.blockedBy.length > 0)
    return (
      <p role="status" className="text-over">
        No setting clears: {found.blockedBy.map((s) => s.name).join(', ')}.
      </p>
    );
  const gain = found.worth / found.before;
  const changes = FREE_PARAMETERS.map((key) => movableOf(op, context, key))
    .filter((m) => m.read(found.operation) !== m.read(op))
    .map((m) => `${m.name.toLowerCase()} ${formatMeasure(m.read(found.operation), m.unit, system)}`);
  const better =
    objective === 'cost'
      ? `costs ${(100 / gain).toFixed(0)}% of the present cut`
      : `${gain.toFixed(2)} × the present cut`;
  return (
    <p role="status" className="flex flex-wrap items-center gap-2 text-[13px]">
      <span>
        <b>{changes.join(', ') || 'The present cut is the best'}</b>: {better}
        {found.beforeHeld ? '' : ', which does not meet all limits'}; limited by{' '}
        {found.stoppedBy.map((s) => s.name).join(', ') || 'the ranges'}.
      </span>
      {changes.length > 0 && (
        <Button disabled={readOnly} onClick={() => onPreview({ id: 'search', operation: found.operation })}>
          Preview what was found
        </Button>
      )}
    </p>
  );
}
