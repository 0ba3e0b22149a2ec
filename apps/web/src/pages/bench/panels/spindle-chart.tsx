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
  type Plugin,
  PointElement,
} from 'chart.js';
import { useMemo, useRef, useState } from 'react';
import { Line } from 'react-chartjs-2';
import { usePreferences } from '../../../frame/preferences.tsx';
import { chartAxis, chartLegend, themeColour } from '../../../charts/chart-theme.ts';

ChartJs.register(LinearScale, CategoryScale, PointElement, LineElement, Filler, Legend);

const SAMPLES = 160;

/** Where values stand in the drawn chart, px. */
interface Area {
  readonly key: string;
  readonly x: (rpm: number) => number;
  readonly y: (power: number) => number;
  readonly y2: (torque: number) => number;
}

/** Top of an axis: the curve's, or where the cut asks for more, the next step of a fifth, so that it seldom changes. */
function roomFor(curve: number, asked: number): number {
  return asked <= curve ? curve : curve * 1.2 ** Math.ceil(Math.log(asked / curve) / Math.log(1.2));
}

/** A point of the working cut, apart from the chart so that dragging it does not draw the curves anew. */
function Mark({ x, y, look }: { x: number; y: number; look: string }) {
  return (
    <span
      className="pointer-events-none absolute top-0 left-0"
      style={{ transform: `translate(${x}px, ${y}px)` }}
    >
      <span className={`absolute -translate-x-1/2 -translate-y-1/2 ${look}`} />
    </span>
  );
}

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

  const [area, setArea] = useState<Area | null>(null);
  const placing = useMemo<Plugin<'line'>>(
    () => ({
      id: 'placing',
      afterRender: ({ scales }) => {
        const [x, y, y2] = [scales['x'], scales['y'], scales['y2']];
        if (!x || !y || !y2) return;
        const key = [x, y, y2]
          .map((s) => [s.min, s.max, s.left, s.right, s.top, s.bottom].join(' '))
          .join(' ');
        const next: Area = {
          key,
          x: (v) => x.getPixelForValue(v),
          y: (v) => y.getPixelForValue(v),
          y2: (v) => y2.getPixelForValue(v),
        };
        setArea((old) => (old?.key === key ? old : next));
      },
    }),
    [],
  );
  const highest = (values: readonly { y: number }[]): number => Math.max(...values.map((v) => v.y));
  const powerTop = roomFor(highest(curves.power), toShown(power, 'kW', system));
  const torqueTop = roomFor(highest(curves.torque), toShown(torque, 'Nm', system));

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
        y: { ...chartAxis(UNITS.kW[system].label), beginAtZero: true, suggestedMax: powerTop },
        y2: {
          ...chartAxis(UNITS.Nm[system].label),
          beginAtZero: true,
          suggestedMax: torqueTop,
          position: 'right',
          grid: { drawOnChartArea: false },
        },
      },
    }),
    // The theme is read from the page while this is made.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [most, system, theme, powerTop, torqueTop],
  );
  // Drawn once: the curves are the machine's and stay while the working point is dragged over them.
  const lines = useMemo(
    () => (
      <Line
        ref={chart}
        aria-hidden
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
              data: [],
              pointStyle: 'circle',
              pointRadius: 8,
              pointBorderWidth: 3,
              borderColor: themeColour('accent'),
              backgroundColor: themeColour('raised'),
              yAxisID: 'y',
            },
            {
              label: 'torque of this cut',
              data: [],
              pointStyle: 'rectRot',
              pointRadius: 5,
              pointBorderWidth: 3,
              borderColor: themeColour('tight'),
              backgroundColor: themeColour('raised'),
              yAxisID: 'y2',
            },
          ],
        }}
        options={options}
        plugins={[placing]}
      />
    ),
    [curves, options, placing, system],
  );
  const text = `At ${formatMeasure(n, 'rpm', system)} power needed ${formatMeasure(power, 'kW', system)} of ${formatMeasure(powerAt(machine.power_torque[rating], n), 'kW', system)} and ${formatMeasure(torque, 'Nm', system)} of ${formatMeasure(torqueAt(machine.power_torque[rating], n), 'Nm', system)}.`;

  return (
    <figure className="flex h-full min-h-0 flex-col">
      <figcaption className="mb-1 text-[13px] text-soft">
        {text} Drag in the chart to move the speed.
      </figcaption>
      <div
        role="img"
        aria-label={text}
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
        {lines}
        {area && (
          <>
            <Mark
              x={area.x(n)}
              y={area.y(toShown(power, 'kW', system))}
              look="size-[17px] rounded-full border-[3px] border-accent bg-raised"
            />
            <Mark
              x={area.x(n)}
              y={area.y2(toShown(torque, 'Nm', system))}
              look="size-2.5 rotate-45 border-[3px] border-tight bg-raised"
            />
          </>
        )}
      </div>
    </figure>
  );
}
