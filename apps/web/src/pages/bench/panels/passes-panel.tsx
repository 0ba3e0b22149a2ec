import { formatMeasure, threadTurningState, type ThreadTurningOperation, toShown, UNITS } from '@burl/core';
import { useMemo } from 'react';
import { type Curve, Plot } from '../../../charts/plot.tsx';
import { useSystem } from '../../../frame/preferences.tsx';
import type { PanelProps } from './panel-props.ts';

/** What each pass of a thread adds, and the section of its chip. */
export default function PassesPanel({ op, context }: PanelProps<ThreadTurningOperation>) {
  const system = useSystem();
  const { passes } = useMemo(() => threadTurningState(op, context), [op, context]);
  const curves: Curve[] = useMemo(
    () => [
      {
        label: 'infeed',
        points: passes.map((p, i) => ({ x: i + 1, y: toShown(p.addsMm, 'mm', system) })),
        colour: 'accent',
        mark: 'circle',
        size: 4,
      },
      {
        label: 'chip section, mm²',
        points: passes.map((p, i) => ({ x: i + 1, y: p.areaMm2 })),
        colour: 'tight',
        dash: [6, 4],
        right: true,
      },
    ],
    [passes, system],
  );
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const depths = passes.map((p) => mm(p.toMm)).join(', ');
  const said = `Depths ${depths}; then ${op.cut.springPasses} without infeed.`;
  return (
    <section aria-label="Passes" className="flex h-full min-h-0 flex-col gap-1">
      <div className="relative min-h-36 flex-1">
        <Plot
          text={`Infeed by pass. ${said}`}
          curves={curves}
          x="pass"
          y={UNITS.mm[system].label}
          right="mm²"
          xRange={[0.5, passes.length + 0.5]}
        />
      </div>
      <p className="shrink-0 text-[13px]">{said}</p>
    </section>
  );
}
