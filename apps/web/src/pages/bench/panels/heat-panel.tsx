import { formatMeasure, type MillingOperation, numberOf, speak, toShown, UNITS } from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';
import { type Curve, Plot } from '../../../charts/plot.tsx';
import { question } from '../../../workers/question.ts';
import { useHeavy } from '../../../workers/use-heavy.ts';
import type { PanelProps } from './panel-props.ts';
import { HeavyState } from '../../../workers/heavy-state.tsx';

const HALF_TURN = [0, 180] as const;

/** Allowed speed over the engagement angle, and why it rises as the arc narrows. */
export default function HeatPanel({
  op,
  context,
  evaluation,
}: Pick<PanelProps<MillingOperation>, 'op' | 'context' | 'evaluation'>) {
  const speedMMin = numberOf(evaluation, 'vc').value;
  const system = useSystem();
  const heavy = useHeavy('detail', question('heat', op, context), (api) => api.heat(op, context), 60);
  if (!heavy.data) return <HeavyState what="the heat" heavy={heavy} />;
  const { points, here, reason, economic } = heavy.data;
  const vc = (v: number): string => formatMeasure(v, 'm/min', system);
  const y = (v: number): number => toShown(v, 'm/min', system);
  const known = points.filter((p) => p.lifeSpeedMMin !== null);
  const curves: Curve[] = [
    {
      label: 'vc for 15 min tool life',
      points: known.map((p) => ({ x: p.arcDeg, y: y(p.lifeSpeedMMin!) })),
      colour: 'series-1',
    },
    {
      label: 'the same, P10',
      points: known.map((p) => ({ x: p.arcDeg, y: y(p.lifeSpeedLowMMin!) })),
      colour: 'series-1',
      dash: [2, 3],
      width: 1.5,
    },
    {
      label: 'equal cutting temperature',
      points: points.map((p) => ({ x: p.arcDeg, y: y(p.heatSpeedMMin) })),
      colour: 'series-2',
      dash: [8, 4],
    },
    {
      label: 'this cut',
      points: [{ x: here.arcDeg, y: y(speedMMin) }],
      colour: 'accent',
      mark: 'circle',
      size: 7,
      inside: 'raised',
    },
  ];
  const text = `At ${here.arcDeg.toFixed(0)}° engagement the cut runs ${vc(speedMMin)}${here.lifeSpeedMMin === null ? '' : `; 15 min tool life at ${vc(here.lifeSpeedMMin)}`}.`;
  return (
    <div className={`flex h-full min-h-0 flex-col gap-1.5 ${heavy.stale ? 'opacity-60' : ''}`}>
      <p className="text-[13px]">
        {speak(reason, system)} {text}
        {economic &&
          ` Tool life at lowest cost ${formatMeasure(economic.cheapestMin, 'min-life', system)} (${vc(economic.cheapestSpeed)}), at shortest cycle time ${formatMeasure(economic.fastestMin, 'min-life', system)}.`}
      </p>
      <div className="relative min-h-36 flex-1">
        <Plot
          text={text}
          curves={curves}
          x="engagement angle, degrees"
          y={UNITS['m/min'][system].label}
          xRange={HALF_TURN}
          yRange={[0, Math.ceil(y(2.2 * Math.max(speedMMin, here.lifeSpeedMMin ?? 0)) / 20) * 20]}
        />
      </div>
    </div>
  );
}
