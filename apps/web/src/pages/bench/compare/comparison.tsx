import type { MillingOperation, Operation, OperationContext } from '@burl/core';
import type { Crib, JobDetail, JobOperation } from '@burl/contract';
import { lazy, Suspense, useMemo } from 'react';
import type { View } from '../bar.tsx';
import { useKeep } from './use-keep.ts';
import { Loading } from '../../../ui/page-states.tsx';

const StrategiesView = lazy(() => import('./strategies-view.tsx'));
const MilledWays = lazy(() => import('./milled-ways.tsx'));
const CutterView = lazy(() => import('./cutter-view.tsx'));
const VariantsView = lazy(() => import('./variants-view.tsx'));

export interface CompareProps<O extends Operation = Operation> {
  readonly view: View;
  readonly op: O;
  readonly context: OperationContext;
  readonly crib: Crib;
  readonly detail: JobDetail;
  readonly operation: JobOperation;
  readonly readOnly: boolean;
  readonly onTake: (next: Operation) => void;
}

/** The bench's comparisons: strategies, cutters, variants. What is taken goes to the bench and can be undone. */
export function Comparison({
  view,
  op,
  context,
  crib,
  detail,
  operation,
  readOnly,
  onTake,
}: CompareProps<MillingOperation>) {
  const { job } = detail;
  const keep = useKeep(operation, job.id);
  /** Edges set aside for an operation of this job, by cutter. */
  const setAside = useMemo(() => {
    const edges = new Map<string, number>();
    for (const o of detail.setups.flatMap((s) => s.operations))
      for (const v of o.variants)
        if (v.document.edgesOnShelf !== null) edges.set(v.document.tooling.cutterId, v.document.edgesOnShelf);
    return edges;
  }, [detail]);
  const shelf = useMemo(
    () => new Map([...crib.stock.map((s) => [s.cutterId, s.edges] as const), ...setAside]),
    [crib.stock, setAside],
  );

  const compared = { op, context, crib, readOnly, onTake, onKeep: keep };
  return (
    <div className="min-h-0 flex-1 overflow-y-auto" tabIndex={0} role="region" aria-label="Comparison">
      <Suspense fallback={<Loading what="the comparison" />}>
        {view === 'strategies' ? (
          <div className="space-y-4">
            {op.feature.finishing ? (
              <MilledWays of="finishing" {...compared} />
            ) : (
              <StrategiesView {...compared} />
            )}
            {op.feature.kind === 'slot' && !op.feature.undercut && <MilledWays of="disc" {...compared} />}
          </div>
        ) : view === 'cutter' ? (
          <CutterView
            op={op}
            context={context}
            crib={crib}
            shelf={shelf}
            readOnly={readOnly}
            // What the crib counts stays the crib's: only what was set aside goes into the operation.
            onTake={(next) => onTake({ ...next, edgesOnShelf: setAside.get(next.tooling.cutterId) ?? null })}
          />
        ) : (
          <VariantsView operation={operation} current={op} crib={crib} batch={job} />
        )}
      </Suspense>
    </div>
  );
}
