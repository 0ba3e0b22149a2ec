import {
  formatMeasure,
  type MillingOperation,
  type OperationContext,
  speak,
  toShown,
  UNITS,
} from '@burl/core';
import {
  Chart as ChartJs,
  Filler,
  Legend,
  LinearScale,
  LineElement,
  LogarithmicScale,
  PointElement,
} from 'chart.js';
import { Line } from 'react-chartjs-2';
import { usePreferences } from '../../../frame/preferences.tsx';
import { question } from '../../../workers/question.ts';
import { useHeavy } from '../../../workers/use-heavy.ts';
import { HeavyState } from '../../../workers/heavy-state.tsx';
import { chartAxis, chartLegend, themeColour } from '../../../charts/chart-theme.ts';

ChartJs.register(LinearScale, LogarithmicScale, PointElement, LineElement, Filler, Legend);

/** Allowed speed over the engagement angle, and why it rises as the arc narrows. */
export default function HeatPanel({
  op,
  context,
  speedMMin,
}: {
  op: MillingOperation;
  context: OperationContext;
  speedMMin: number;
}) {
  const { system } = usePreferences();
  const heavy = useHeavy('detail', question('heat', op, context), (api) => api.heat(op, context), 60);
  if (!heavy.data) return <HeavyState what="the heat" heavy={heavy} />;
  const { points, here, reason, economic } = heavy.data;
  const vc = (v: number): string => formatMeasure(v, 'm/min', system);
  const y = (v: number): number => toShown(v, 'm/min', system);
  const known = points.filter((p) => p.lifeSpeedMMin !== null);
  const text = `At ${here.arcDeg.toFixed(0)}° engagement the cut runs ${vc(speedMMin)}${here.lifeSpeedMMin === null ? '' : `; 15 min tool life at ${vc(here.lifeSpeedMMin)}`}.`;
  return (
    <div className={`flex h-full min-h-0 flex-col gap-1.5 ${heavy.stale ? 'opacity-60' : ''}`}>
      <p className="text-[13px]">
        {speak(reason, system)} {text}
        {economic &&
          ` Cheapest life here is ${formatMeasure(economic.cheapestMin, 'min', system)} (${vc(economic.cheapestSpeed)}), fastest ${formatMeasure(economic.fastestMin, 'min', system)}.`}
      </p>
      <div className="relative min-h-36 flex-1">
        <Line
          role="img"
          aria-label={text}
          data={{
            datasets: [
              {
                label: 'vc for 15 min tool life',
                data: known.map((p) => ({ x: p.arcDeg, y: y(p.lifeSpeedMMin!) })),
                borderColor: themeColour('series-1'),
                borderWidth: 2,
                pointRadius: 0,
              },
              {
                label: 'the same, nine times in ten',
                data: known.map((p) => ({ x: p.arcDeg, y: y(p.lifeSpeedLowMMin!) })),
                borderColor: themeColour('series-1'),
                borderDash: [2, 3],
                borderWidth: 1.5,
                pointRadius: 0,
              },
              {
                label: 'equal cutting temperature',
                data: points.map((p) => ({ x: p.arcDeg, y: y(p.heatSpeedMMin) })),
                borderColor: themeColour('series-2'),
                borderDash: [8, 4],
                borderWidth: 2,
                pointRadius: 0,
              },
              {
                label: 'this cut',
                data: [{ x: here.arcDeg, y: y(speedMMin) }],
                showLine: false,
                pointStyle: 'circle',
                pointRadius: 7,
                pointBorderWidth: 3,
                borderColor: themeColour('accent'),
                backgroundColor: themeColour('raised'),
              },
            ],
          }}
          options={{
            animation: false,
            maintainAspectRatio: false,
            parsing: false,
            events: [],
            plugins: { legend: chartLegend() },
            scales: {
              x: { ...chartAxis('engagement angle, degrees'), type: 'linear', min: 0, max: 180 },
              y: {
                ...chartAxis(UNITS['m/min'][system].label),
                type: 'linear',
                min: 0,
                max: Math.ceil(y(2.2 * Math.max(speedMMin, here.lifeSpeedMMin ?? 0)) / 20) * 20,
              },
            },
          }}
        />
      </div>
    </div>
  );
}
