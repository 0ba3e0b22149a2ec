import { toShown, UNITS } from '@burl/core';
import { Plot } from '../../charts/plot.tsx';
import { useSystem } from '../../frame/preferences.tsx';
import type { SimulatedRun } from '../../workers/chatter-work.ts';

/** A cut run step by step: tip and chip, the tip once per revolution, the surface it leaves. */
export function SimulationPicture({ run }: { run: SimulatedRun }) {
  const system = useSystem();
  const small = UNITS.um[system].label;
  const fine = (mm: number): number => toShown(1000 * mm, 'um', system);
  return (
    <div className="grid grid-cols-1 gap-2 sm:grid-cols-3" aria-label="The cut step by step" role="group">
      <div className="relative h-40 rounded-lg border border-line bg-card p-1">
        <Plot
          text="Displacement of the tip and chip over the last three turns."
          curves={[
            {
              label: `tip, ${small}`,
              colour: 'series-1',
              width: 1,
              points: run.ms.map((x, i) => ({ x, y: fine(run.xMm[i]!) })),
            },
            {
              label: `chip, ${small}`,
              colour: 'series-2',
              width: 1,
              points: run.ms.map((x, i) => ({ x, y: fine(run.chipMm[i]!) })),
            },
          ]}
          x="ms"
          y={small}
        />
      </div>
      <div className="relative h-40 rounded-lg border border-line bg-card p-1">
        <Plot
          text="The tip once per revolution: one spot where the cut repeats, a ring or two spots where it chatters."
          curves={[
            {
              label: 'once per revolution',
              colour: 'series-3',
              mark: 'circle',
              size: 3,
              points: run.onceX.map((x, i) => ({ x: fine(x), y: fine(run.onceY[i]!) })),
            },
          ]}
          x={`along the feed, ${small}`}
          y={`normal to it, ${small}`}
        />
      </div>
      <div className="relative h-40 rounded-lg border border-line bg-card p-1">
        <Plot
          text="Surface left on the wall along the feed."
          curves={[
            {
              label: 'wall',
              colour: 'series-5',
              width: 1.5,
              points: run.surface.map((p) => ({ x: toShown(p.alongMm, 'mm', system), y: fine(p.heightMm) })),
            },
          ]}
          x={`along the feed, ${UNITS.mm[system].label}`}
          y={`height, ${small}`}
        />
      </div>
    </div>
  );
}
