import type { Heard } from '../../workers/chatter-work.ts';
import { type Curve, Plot } from '../../charts/plot.tsx';

/** Lines under this share of the strongest are not marked. */
const SHOWN = 0.02;

const LINE_KINDS = [
  { kind: 'tooth', label: 'teeth', mark: 'circle', colour: 'clear' },
  { kind: 'spindle', label: 'spindle', mark: 'triangle', colour: 'series-6' },
  { kind: 'chatter', label: 'chatter', mark: 'crossRot', colour: 'over' },
  { kind: 'chatter sidebands', label: 'chatter sidebands', mark: 'star', colour: 'series-5' },
] as const;

/** The spectrum of a recording, its lines marked by what explains them. */
export function Spectrum({ heard, text }: { heard: Heard; text: string }) {
  const { verdict, spectrum } = heard;
  const strongest = Math.max(...verdict.lines.map((l) => l.amplitude), 0);
  const curves: Curve[] = [
    {
      label: 'spectrum',
      colour: 'series-1',
      width: 1,
      points: spectrum.hz.map((x, i) => ({ x, y: spectrum.amplitude[i]! })),
    },
    ...LINE_KINDS.map(({ kind, label, mark, colour }) => ({
      label,
      mark,
      colour,
      size: 5,
      points: verdict.lines
        .filter((l) => l.kind === kind && l.amplitude > SHOWN * strongest)
        .map((l) => ({ x: l.hz, y: l.amplitude })),
    })),
  ];
  return (
    <div className="relative h-64 rounded-lg border border-line bg-card p-2">
      <Plot text={text} curves={curves} x="frequency, Hz" y="amplitude" />
    </div>
  );
}
