import {
  type Evaluation,
  formatMeasure,
  numberOf,
  type OperationContext,
  powerAt,
  toShown,
  torqueAt,
  UNITS,
} from '@burl/core';
import {
  CategoryScale,
  Chart as ChartJs,
  type ChartOptions,
  Filler,
  Legend,
  LinearScale,
  LineElement,
  PointElement,
} from 'chart.js';
import { useMemo, useRef } from 'react';
import { Line } from 'react-chartjs-2';
import { usePreferences } from '../frame/preferences.tsx';
import { chartAxis, chartLegend, themeColour } from './chart-theme.ts';

ChartJs.register(LinearScale, CategoryScale, PointElement, LineElement, Filler, Legend);

const SAMPLES = 160;

/** Power and torque the spindle has at each speed, what this cut asks of it, and the working point to take hold of. */
export default function SpindleChart({
  evaluation,
  context,
  readOnly,
  onSpeed,
}: {
  evaluation: Evaluation;
  context: OperationContext;
  readOnly: boolean;
  onSpeed: (rpm: number) => void;
}) {
  const { system, theme } = usePreferences();
  const chart = useRef<ChartJs<'line'>>(null);
  const dragging = useRef(false);
  const n = numberOf(evaluation, 'n').value;
  const power = numberOf(evaluation, 'P').value;
  const torque = numberOf(evaluation, 'M').value;
  const rating = evaluation.kind === 'milling' ? 's1' : 's6_40';
  const { machine } = context;
  const most = machine.max_rpm;

  const curves = useMemo(() => {
    const rpm = Array.from({ length: SAMPLES }, (_, i) => (most * (i + 1)) / SAMPLES);
    return {
      power: rpm.map((x) => ({ x, y: toShown(powerAt(machine.power_torque[rating], x), 'kW', system) })),
      torque: rpm.map((x) => ({ x, y: toShown(torqueAt(machine.power_torque[rating], x), 'Nm', system) })),
    };
  }, [machine, most, rating, system]);

  function speedAt(clientX: number): number | null {
    const c = chart.current;
    if (!c) return null;
    const x = c.scales['x']?.getValueForPixel(clientX - c.canvas.getBoundingClientRect().left);
    return x === undefined ? null : Math.round(Math.min(most, Math.max(10, x)) / 10) * 10;
  }

  // The same object as long as axes and theme are: new options make the chart resolve everything again.
  const options = useMemo<ChartOptions<'line'>>(
    () => ({
      animation: false,
      maintainAspectRatio: false,
      parsing: false,
      events: [],
      plugins: {
        legend: chartLegend(),
      },
      scales: {
        x: { ...chartAxis('spindle speed, rpm'), type: 'linear', min: 0, max: most },
        y: { ...chartAxis(UNITS.kW[system].label), beginAtZero: true },
        y2: {
          ...chartAxis(UNITS.Nm[system].label),
          beginAtZero: true,
          position: 'right',
          grid: { drawOnChartArea: false },
        },
      },
    }),
    // The theme is read from the page while this is made.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [most, system, theme],
  );
  const text = `At ${formatMeasure(n, 'rpm', system)} the cut asks ${formatMeasure(power, 'kW', system)} of ${formatMeasure(powerAt(machine.power_torque[rating], n), 'kW', system)} and ${formatMeasure(torque, 'Nm', system)} of ${formatMeasure(torqueAt(machine.power_torque[rating], n), 'Nm', system)}.`;

  return (
    <figure className="flex h-full min-h-0 flex-col">
      <figcaption className="mb-1 text-[13px] text-soft">
        {text} Drag in the chart to move the speed.
      </figcaption>
      <div
        className="relative min-h-40 flex-1 touch-none"
        onPointerDown={(e) => {
          if (readOnly) return;
          dragging.current = true;
          e.currentTarget.setPointerCapture(e.pointerId);
          const rpm = speedAt(e.clientX);
          if (rpm) onSpeed(rpm);
        }}
        onPointerMove={(e) => {
          if (!dragging.current) return;
          const rpm = speedAt(e.clientX);
          if (rpm) onSpeed(rpm);
        }}
        onPointerUp={() => (dragging.current = false)}
        onPointerCancel={() => (dragging.current = false)}
      >
        <Line
          ref={chart}
          aria-label={text}
          role="img"
          data={{
            datasets: [
              {
                label: `power, ${UNITS.kW[system].label}`,
                data: curves.power,
                borderColor: themeColour('accent'),
                backgroundColor: themeColour('accent-soft'),
                fill: true,
                pointRadius: 0,
                borderWidth: 2,
                yAxisID: 'y',
                order: 4,
              },
              {
                label: `torque, ${UNITS.Nm[system].label}`,
                data: curves.torque,
                borderColor: themeColour('tight'),
                borderDash: [6, 4],
                pointRadius: 0,
                borderWidth: 2,
                yAxisID: 'y2',
                order: 3,
              },
              {
                label: 'power of this cut',
                data: [{ x: n, y: toShown(power, 'kW', system) }],
                pointStyle: 'circle',
                pointRadius: 8,
                pointBorderWidth: 3,
                borderColor: themeColour('accent'),
                backgroundColor: themeColour('raised'),
                showLine: false,
                yAxisID: 'y',
                order: 1,
              },
              {
                label: 'torque of this cut',
                data: [{ x: n, y: toShown(torque, 'Nm', system) }],
                pointStyle: 'rectRot',
                pointRadius: 5,
                pointBorderWidth: 3,
                borderColor: themeColour('tight'),
                backgroundColor: themeColour('raised'),
                showLine: false,
                yAxisID: 'y2',
                order: 0,
              },
            ],
          }}
          options={options}
        />
      </div>
    </figure>
  );
}
