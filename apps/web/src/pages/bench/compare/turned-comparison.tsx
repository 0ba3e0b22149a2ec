import type { TurnedOperation } from '@burl/core';
import { lazy, Suspense } from 'react';
import { Loading } from '../../../ui/page-states.tsx';
import type { CompareProps } from './comparison.tsx';
import { useKeep } from './use-keep.ts';

const WaysView = lazy(() => import('./ways-view.tsx'));
const VariantsView = lazy(() => import('./variants-view.tsx'));

/** The bench's comparisons of a lathe cut: ways to make it, and variants. */
export function TurnedComparison({
  view,
  op,
  context,
  crib,
  detail,
  operation,
  readOnly,
  onTake,
}: CompareProps<TurnedOperation>) {
  const keep = useKeep(operation, detail.job.id);
  return (
    <div className="min-h-0 flex-1 overflow-y-auto" tabIndex={0} role="region" aria-label="Comparison">
      <Suspense fallback={<Loading what="the comparison" />}>
        {view === 'variants' ? (
          <VariantsView operation={operation} current={op} crib={crib} batch={detail.job} />
        ) : (
          <WaysView op={op} context={context} crib={crib} readOnly={readOnly} onTake={onTake} onKeep={keep} />
        )}
      </Suspense>
    </div>
  );
}
