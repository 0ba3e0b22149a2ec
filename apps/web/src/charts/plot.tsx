import {
  Chart as ChartJs,
  type ChartOptions,
  Filler,
  Legend,
  LinearScale,
  LineElement,
  LogarithmicScale,
  PointElement,
} from 'chart.js';
import { useMemo } from 'react';
import { Line } from 'react-chartjs-2';
import { usePreferences } from '../frame/preferences.tsx';
import { chartAxis, chartLegend, themeColour } from './chart-theme.ts';

ChartJs.register(LinearScale, LogarithmicScale, PointElement, LineElement, Filler, Legend);

/** One curve or a set of points. */
export interface Curve {
  readonly label: string;
  readonly points: readonly { readonly x: number; readonly y: number }[];
  readonly colour: string;
  readonly dash?: readonly number[];
  readonly width?: number;
  /** Points instead of a line. */
  readonly mark?: 'circle' | 'triangle' | 'rectRot' | 'crossRot' | 'star';
  readonly size?: number;
  /** Shaded to the curve of this place in the list. */
  readonly fillTo?: number;
}

/** Curves over a number, in the page's colours; `text` says what the picture shows. */
export function Plot({
  text,
  curves,
  x,
  y,
  log = false,
  xRange,
  yRange,
  legend = true,
}: {
  text: string;
  curves: readonly Curve[];
  x: string;
  y: string;
  log?: boolean;
  xRange?: readonly [number, number];
  yRange?: readonly [number, number];
  legend?: boolean;
}) {
  const { theme } = usePreferences();
  const [x0, x1] = xRange ?? [undefined, undefined];
  const [y0, y1] = yRange ?? [undefined, undefined];
  const options = useMemo<ChartOptions<'line'>>(
    () => ({
      animation: false,
      maintainAspectRatio: false,
      parsing: false,
      normalized: true,
      events: [],
      plugins: { legend: legend ? { ...chartLegend(), position: 'bottom' } : { display: false } },
      scales: {
        x: {
          ...chartAxis(x),
          type: 'linear',
          ...(x0 === undefined ? {} : { min: x0 }),
          ...(x1 === undefined ? {} : { max: x1 }),
        },
        y: {
          ...chartAxis(y),
          type: log ? 'logarithmic' : 'linear',
          ...(y0 === undefined ? {} : { min: y0 }),
          ...(y1 === undefined ? {} : { max: y1 }),
        },
      },
    }),
    // The theme is read from the page while this is made.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [x, y, log, x0, x1, y0, y1, legend, theme],
  );
  const data = useMemo(
    () => ({
      datasets: curves.map((c) => {
        const colour = themeColour(c.colour);
        return {
          label: c.label,
          data: [...c.points],
          borderColor: colour,
          backgroundColor: c.fillTo === undefined ? colour : `${colour}2e`,
          borderWidth: c.width ?? 2,
          borderDash: [...(c.dash ?? [])],
          pointRadius: c.mark ? (c.size ?? 6) : 0,
          ...(c.mark
            ? { pointStyle: c.mark, showLine: false, pointBorderWidth: 2 }
            : { pointStyle: 'line' as const }),
          ...(c.fillTo === undefined ? {} : { fill: { target: c.fillTo } }),
        };
      }),
    }),
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [curves, theme],
  );
  return <Line role="img" aria-label={text} data={data} options={options} />;
}
