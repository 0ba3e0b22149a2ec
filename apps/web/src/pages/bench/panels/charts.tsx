import {
  type Evaluation,
  type FreeParameter,
  type MillingOperation,
  numberOf,
  type Operation,
  type OperationContext,
} from '@burl/core';
import { Maximize2, Minimize2 } from 'lucide-react';
import { Tabs } from 'radix-ui';
import { memo, lazy, Suspense, useState } from 'react';
import { Button } from '../../../ui/button.tsx';
import { Loading } from '../../../ui/page-states.tsx';

const SpindleChart = lazy(() => import('./spindle-chart.tsx'));
const TurnPanel = lazy(() => import('./turn-panel.tsx'));
const WindowPanel = lazy(() => import('./window-panel.tsx'));
const HeatPanel = lazy(() => import('./heat-panel.tsx'));
const WallPanel = lazy(() => import('./wall-panel.tsx'));
const PathPanel = lazy(() => import('./path-panel.tsx'));
const DepthPanel = lazy(() => import('./depth-panel.tsx'));
const OddsPanel = lazy(() => import('./odds-panel.tsx'));

const MILLING = [
  ['spindle', 'Spindle'],
  ['window', 'Window'],
  ['turn', 'Forces'],
  ['heat', 'Heat'],
  ['wall', 'Wall'],
  ['path', 'Path'],
  ['odds', 'Confidence'],
] as const;

const DRILLING = [MILLING[0], ['depth', 'Depth']] as const;

/** One chart at a time under the cut; the one last looked at is remembered for the next operation. */
export const Charts = memo(function Charts({
  op,
  context,
  evaluation,
  readOnly,
  onSpeed,
  onMove,
  onPreview,
  onChange,
  large,
  onLarge,
}: {
  op: Operation;
  context: OperationContext;
  evaluation: Evaluation;
  readOnly: boolean;
  onSpeed: (rpm: number) => void;
  onMove: (changes: readonly (readonly [FreeParameter, number])[]) => void;
  onPreview: (found: { id: string; operation: MillingOperation }) => void;
  onChange: (next: Operation) => void;
  /** The chart has the drawing's place as well. */
  large: boolean;
  onLarge: (large: boolean) => void;
}) {
  const [chosen, setChosen] = useState(() => sessionStorage.getItem('burl.chart') ?? 'spindle');
  const tabs: readonly (readonly [string, string])[] =
    op.kind === 'milling' ? MILLING : op.kind === 'drilling' ? DRILLING : MILLING.slice(0, 1);
  const shown = tabs.some(([id]) => id === chosen) ? chosen : 'spindle';
  const spindle = (
    <SpindleChart evaluation={evaluation} context={context} readOnly={readOnly} onSpeed={onSpeed} />
  );
  return (
    <Tabs.Root
      value={shown}
      onValueChange={(v) => {
        setChosen(v);
        sessionStorage.setItem('burl.chart', v);
      }}
      className="flex min-h-64 flex-1 flex-col rounded-lg border border-line bg-card"
    >
      <div className="flex shrink-0 items-center border-b border-line px-1.5">
        <Tabs.List aria-label="Charts" className="flex flex-1 flex-wrap">
          {tabs.map(([id, name]) => (
            <Tabs.Trigger
              key={id}
              value={id}
              className="border-b-2 border-transparent px-2.5 py-1 font-semibold text-soft hover:text-ink data-[state=active]:border-accent data-[state=active]:text-ink"
            >
              {name}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <Button
          look="quiet"
          className="ml-auto px-2"
          aria-pressed={large}
          aria-label="Larger chart"
          onClick={() => onLarge(!large)}
        >
          {large ? <Minimize2 size={15} aria-hidden="true" /> : <Maximize2 size={15} aria-hidden="true" />}
        </Button>
      </div>
      <Tabs.Content value={shown} className="min-h-0 flex-1 p-2.5 outline-offset-[-2px]">
        <Suspense fallback={<Loading what="the chart" />}>
          {op.kind === 'drilling' && shown === 'depth' ? (
            <DepthPanel op={op} context={context} />
          ) : op.kind !== 'milling' || shown === 'spindle' ? (
            <section aria-label="Power and torque" className="h-full">
              {spindle}
            </section>
          ) : shown === 'window' ? (
            <WindowPanel
              op={op}
              context={context}
              readOnly={readOnly}
              onMove={onMove}
              onPreview={onPreview}
            />
          ) : shown === 'turn' ? (
            <TurnPanel op={op} context={context} />
          ) : shown === 'heat' ? (
            <HeatPanel op={op} context={context} speedMMin={numberOf(evaluation, 'vc').value} />
          ) : shown === 'wall' ? (
            <WallPanel op={op} context={context} />
          ) : shown === 'path' ? (
            <PathPanel op={op} context={context} readOnly={readOnly} onChange={onChange} />
          ) : (
            <OddsPanel op={op} context={context} />
          )}
        </Suspense>
      </Tabs.Content>
    </Tabs.Root>
  );
});
