import { formatDay } from '@burl/core';
import type { TipRecord } from '@burl/contract';
import type { TipMode } from '@burl/core';
import { useState } from 'react';
import { Plot } from '../../charts/plot.tsx';
import { Toggle } from '../../ui/toggle.tsx';
import { type Part, PARTS, ResponseChart } from './response-chart.tsx';
import type { Axis } from './use-tip-record.ts';

/** Points of a curve that are drawn at most. */
const MOST_POINTS = 600;

function thinned(hz: readonly number[], values: readonly number[], toHz: number): { x: number; y: number }[] {
  const every = Math.max(1, Math.ceil(hz.length / MOST_POINTS));
  const points: { x: number; y: number }[] = [];
  for (let i = 0; i < hz.length && hz[i]! <= toHz; i += every) points.push({ x: hz[i]!, y: values[i]! });
  return points;
}

/** The response of the tip in one direction, measured or of its modes, with the coherence of the hits. */
export function TipResponse({
  axis,
  record,
  modes,
  toHz,
  from,
  onAxis,
}: {
  axis: Axis;
  record: TipRecord | undefined;
  modes: readonly TipMode[];
  toHz: number;
  /** Where the modes come from when nobody has measured them. */
  from: string;
  onAxis: (axis: Axis) => void;
}) {
  const [part, setPart] = useState<Part>('magnitude');
  return (
    <div className="flex min-h-0 flex-col gap-2">
      <div className="flex flex-wrap items-center gap-2">
        <Toggle label="Direction" options={['x', 'y'] as const} value={axis} onTake={onAxis} />
        <Toggle label="Shown" options={PARTS} value={part} onTake={setPart} />
        <span className="ml-auto text-[13px] text-soft">
          {record ? `${record.origin}, ${record.madeBy}, ${formatDay(record.madeAt)}` : from}
        </span>
      </div>
      <div className="relative min-h-72 flex-1 rounded-lg border border-line bg-card p-2">
        <ResponseChart
          axis={axis}
          part={part}
          receptance={record?.receptance ?? null}
          modes={modes}
          toHz={toHz}
        />
      </div>
      {record?.coherence && (
        <div className="relative h-28 rounded-lg border border-line bg-card p-2">
          <Plot
            text="Coherence of the hits kept: near one where hammer and sensor belong together."
            curves={[
              {
                label: 'coherence',
                colour: 'series-4',
                width: 1,
                points: thinned(record.receptance!.hz, record.coherence, toHz),
              },
            ]}
            x="frequency, Hz"
            y="coherence"
            xRange={[0, toHz]}
            yRange={[0, 1]}
            legend="none"
          />
        </div>
      )}
    </div>
  );
}
