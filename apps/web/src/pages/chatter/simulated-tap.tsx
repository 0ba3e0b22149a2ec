import type { ToolAssembly } from '@burl/core';
import { useState } from 'react';
import type { TapTest } from '../../workers/chatter-work.ts';
import { useHeavy } from '../../workers/use-heavy.ts';
import { Button } from '../../ui/button.tsx';
import { HeavyState } from '../../workers/heavy-state.tsx';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';
import { ModesTable, UnseenModes } from './modes-table.tsx';
import { Plot } from '../../charts/plot.tsx';
import { ResponseChart } from './response-chart.tsx';
import { stored } from './stored-response.ts';
import type { TipReading } from './tip-preview.tsx';

const FAULT_WORDS: Readonly<Record<string, string>> = {
  'double hit': 'double hit, left out',
  'force overload': 'force overload, left out',
  'response overload': 'response overload, left out',
  'no hit': 'no hit, left out',
  'cable fault': 'cable fault, left out',
  'unlike the others': 'unlike the others, left out',
};

/** The same hidden spindle for the same combination. */
const seedOf = (id: string): number => [...id].reduce((s, c) => (s * 31 + c.charCodeAt(0)) % 997, 7);

/** A tap test by the simulated hammer: its hits, what was left out, and the modes found. For practice serials. */
export function SimulatedTap({
  parts,
  combinationId,
  stickOutMm,
  axis,
  toHz,
  onClose,
  onKeep,
}: {
  parts: ToolAssembly;
  combinationId: string;
  stickOutMm: number;
  axis: 'x' | 'y';
  toHz: number;
  onClose: () => void;
  onKeep: (found: TipReading) => void;
}) {
  const [seed, setSeed] = useState(seedOf(combinationId));
  const tap = useHeavy<TapTest>(
    'tap',
    `tap ${combinationId} ${axis} ${seed}`,
    (api) => api.tapTest(parts, stickOutMm, axis, seed),
    0,
  );
  return (
    <SheetDialog
      open
      onClose={onClose}
      title={`Simulated tap test along ${axis}`}
      description="Ten hits at 51.2 kHz by the simulated hammer and accelerometer. Faulty hits are found and left out."
      size="wide"
    >
      {!tap.data || tap.stale ? (
        <HeavyState what="the hits" heavy={tap} />
      ) : (
        <div className="space-y-3">
          <ul className="grid grid-cols-2 gap-x-4 text-[13px] sm:grid-cols-5" aria-label="Hits">
            {tap.data.hits.map((h, i) => (
              <li key={i} className={h.fault ? 'text-over' : 'text-clear'}>
                {i + 1}: {h.fault ? FAULT_WORDS[h.fault] : `${h.peakN.toFixed(0)} N, good`}
              </li>
            ))}
          </ul>
          <div className="grid grid-cols-1 gap-3 sm:grid-cols-2">
            <div className="relative h-44">
              <Plot
                text="One hit: force and answer over time."
                curves={[
                  {
                    label: 'force',
                    colour: 'series-2',
                    points: tap.data.hit.ms.map((ms, i) => ({
                      x: ms,
                      y: tap.data!.hit.force[i]! / Math.max(...tap.data!.hit.force),
                    })),
                  },
                  {
                    label: 'acceleration',
                    colour: 'series-1',
                    width: 1,
                    points: tap.data.hit.ms.map((ms, i) => ({ x: ms, y: tap.data!.hit.response[i]! })),
                  },
                ]}
                x="ms"
                y="share of largest"
              />
            </div>
            <div className="relative h-44">
              <ResponseChart
                axis={axis}
                part="magnitude"
                receptance={stored(tap.data.receptance)}
                modes={tap.data.modes}
                toHz={toHz}
              />
            </div>
          </div>
          <ModesTable caption="Modes found" modes={tap.data.modes} />
          <UnseenModes modes={tap.data.modes} fromHz={tap.data.fromHz} />
          <div className="flex justify-end gap-2">
            <Button onClick={() => setSeed(seed + 1)}>Repeat</Button>
            <Button look="main" onClick={() => onKeep({ ...tap.data!, axis, origin: 'simulated hammer' })}>
              Save
            </Button>
          </div>
        </div>
      )}
    </SheetDialog>
  );
}
