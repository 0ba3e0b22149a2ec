import { Maximize2, Minimize2 } from 'lucide-react';
import { Tabs } from 'radix-ui';
import { memo, Suspense, useState } from 'react';
import { Button } from '../../../ui/button.tsx';
import { Loading } from '../../../ui/page-states.tsx';
import { panelsOf } from '../kind-views.tsx';
import type { PanelProps } from './panel-props.ts';

/** One chart at a time under the cut; the one last looked at is remembered for the next operation. */
export const Charts = memo(function Charts({
  large,
  onLarge,
  ...panel
}: PanelProps & {
  /** The chart has the drawing's place as well. */
  large: boolean;
  onLarge: (large: boolean) => void;
}) {
  const [chosen, setChosen] = useState(() => sessionStorage.getItem('burl.chart'));
  const panels = panelsOf(panel.op);
  const { id: shown, Panel, tall } = panels.find((p) => p.id === chosen) ?? panels[0]!;
  return (
    <Tabs.Root
      value={shown}
      onValueChange={(v) => {
        setChosen(v);
        sessionStorage.setItem('burl.chart', v);
      }}
      className={`flex flex-1 flex-col ${tall ? 'min-h-[27rem]' : 'min-h-72'} rounded-lg border border-line bg-card`}
    >
      <div className="flex shrink-0 items-center border-b border-line px-1.5">
        <Tabs.List aria-label="Charts" className="flex flex-1 flex-wrap">
          {panels.map(({ id, name }) => (
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
          <Panel {...panel} />
        </Suspense>
      </Tabs.Content>
    </Tabs.Root>
  );
});
