import { formatMeasure, type MillingOperation, type OperationContext, toShown, UNITS } from '@burl/core';
import { type Curve, Plot } from '../../../charts/plot.tsx';
import { useSystem } from '../../../frame/preferences.tsx';
import { question } from '../../../workers/question.ts';
import { useHeavy } from '../../../workers/use-heavy.ts';
import { HeavyState } from '../../../workers/heavy-state.tsx';

const ONE_TURN = [0, 360] as const;

const WHO = { spindle: 'spindle stalls', holder: 'holder slips', tool: 'tool breaks' } as const;

/** Forces through one revolution by slices, what each tooth carries, and what gives first when the load grows. */
export default function TurnPanel({ op, context }: { op: MillingOperation; context: OperationContext }) {
  const system = useSystem();
  const heavy = useHeavy('detail', question('turn', op, context), (api) => api.turn(op, context), 60);
  if (!heavy.data) return <HeavyState what="the forces" heavy={heavy} />;
  const { turn, overload } = heavy.data;
  const n = (v: number): string => formatMeasure(v, 'N', system);
  const line = (values: Float64Array): { x: number; y: number }[] =>
    Array.from(values, (v, k) => ({ x: (360 * k) / turn.steps, y: toShown(v, 'N', system) }));
  const text = `Peaks: ${n(turn.peakFxy)} across the axis, ${n(Math.abs(turn.peakFz))} along it, ${formatMeasure(turn.peakTorqueNm, 'Nm', system)}. Means: ${n(turn.meanFx)} along the feed, ${n(turn.meanFy)} on the wall.`;
  const most = Math.max(...turn.toothChipMm, 1e-9);
  const curves: Curve[] = [
    { label: 'feed force', points: line(turn.fx), colour: 'series-1' },
    { label: 'normal force, on the wall', points: line(turn.fy), colour: 'series-2', dash: [7, 4] },
    { label: 'axial force', points: line(turn.fz), colour: 'series-3', dash: [2, 3] },
  ];
  return (
    <div className={`flex h-full min-h-0 flex-col gap-1.5 ${heavy.stale ? 'opacity-60' : ''}`}>
      <p className="text-[13px] text-soft">{text}</p>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_150px] gap-3">
        <div className="relative min-h-36">
          <Plot
            text={text}
            curves={curves}
            x="turn of the tool, degrees"
            y={UNITS.N[system].label}
            xRange={ONE_TURN}
            xStep={60}
          />
        </div>
        <div
          className="min-h-0 overflow-y-auto text-[13px]"
          tabIndex={0}
          role="region"
          aria-label="Teeth and overload"
        >
          <h3 className="font-semibold">Max chip thickness per tooth</h3>
          <ol className="mb-2 space-y-0.5">
            {turn.toothChipMm.map((h, j) => (
              <li key={j} className="flex items-center gap-1.5">
                <span className="w-3 text-soft">{j + 1}</span>
                <span className="h-2.5 rounded-sm bg-accent" style={{ width: `${(58 * h) / most}px` }} />
                <span>{h > 0 ? formatMeasure(h, 'mm-fine', system) : 'misses'}</span>
              </li>
            ))}
          </ol>
          <h3 className="font-semibold">Overload margin</h3>
          <ul>
            {overload.margins.map((m) => (
              <li key={m.who} className={m.who === overload.first ? 'font-semibold' : 'text-soft'}>
                {WHO[m.who]} at {Number.isFinite(m.times) ? `${m.times.toPrecision(2)} ×` : 'no known load'}
              </li>
            ))}
          </ul>
          <p className="mt-1 text-[12.5px]">{overload.meaning}</p>
        </div>
      </div>
    </div>
  );
}
