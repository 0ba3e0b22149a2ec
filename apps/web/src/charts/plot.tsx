import {
  Chart as ChartJs,
  type ChartDataset,
  type ChartOptions,
  Filler,
  Legend,
  LinearScale,
  LineElement,
  LogarithmicScale,
  type Plugin,
  PointElement,
  type Scale,
} from 'chart.js';
import { memo, useMemo } from 'react';
import { Line } from 'react-chartjs-2';
import { usePreferences } from '../frame/preferences.tsx';
import { chartAxis, chartLegend, themeColour } from './chart-theme.ts';
import { directLabels } from './direct-labels.ts';

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
  /** Fill of a point, by the theme; its own colour when absent. */
  readonly inside?: string;
  /** Shaded to the curve of this place in the list, or down to the axis. */
  readonly fillTo?: number | 'origin';
  /** Level from point to point, rising where the next begins. */
  readonly stepped?: true;
  /** Read on the axis at the right. */
  readonly right?: true;
}

/** Where values stand in the drawn plot, px from its left top corner. */
export interface Place {
  /** Another one when anything has moved. */
  readonly key: string;
  readonly x: (value: number) => number;
  readonly y: (value: number) => number;
  /** On the axis at the right; as `y` where there is none. */
  readonly right: (value: number) => number;
  readonly valueAt: (px: number) => number;
}

function datasetOf(c: Curve): ChartDataset<'line', { x: number; y: number }[]> {
  const colour = themeColour(c.colour);
  return {
    label: c.label,
    data: [...c.points],
    borderColor: colour,
    backgroundColor: c.inside ? themeColour(c.inside) : c.fillTo === undefined ? colour : `${colour}2e`,
    borderWidth: c.width ?? 2,
    borderDash: [...(c.dash ?? [])],
    pointRadius: c.mark ? (c.size ?? 6) : 0,
    ...(c.mark
      ? { pointStyle: c.mark, showLine: false, pointBorderWidth: c.inside ? 3 : 2 }
      : { pointStyle: 'line' as const }),
    ...(c.fillTo === undefined
      ? {}
      : { fill: c.fillTo === 'origin' ? ('origin' as const) : { target: c.fillTo } }),
    ...(c.stepped ? { stepped: 'before' as const } : {}),
    yAxisID: c.right ? 'right' : 'y',
  };
}

/** Tells where values stand, whenever a drawing has moved them. */
const placing = (placed: (place: Place) => void): Plugin<'line'> => {
  let last = '';
  return {
    id: 'placing',
    afterRender: ({ scales }) => {
      const [x, y] = [scales['x'], scales['y']];
      const right = scales['right'] ?? y;
      if (!x || !y || !right) return;
      const key = [x, y, right]
        .map((s: Scale) => [s.min, s.max, s.left, s.right, s.top, s.bottom].join(' '))
        .join(' ');
      if (key === last) return;
      last = key;
      placed({
        key,
        x: (v) => x.getPixelForValue(v),
        y: (v) => y.getPixelForValue(v),
        right: (v) => right.getPixelForValue(v),
        valueAt: (px) => x.getValueForPixel(px) ?? NaN,
      });
    },
  };
};

/** Points are named in the legend; curves too, where they are not named at their ends. */
function legendOf(legend: 'direct' | 'bottom' | 'right' | 'none'): object {
  if (legend === 'none') return { display: false };
  const look = chartLegend();
  if (legend !== 'direct') return { ...look, position: legend };
  const filter = (
    item: { datasetIndex?: number },
    { datasets }: { datasets: { showLine?: boolean; data: unknown[] }[] },
  ) => {
    const set = datasets[item.datasetIndex ?? -1];
    return set?.showLine === false && set.data.length > 0;
  };
  return { ...look, position: 'bottom', labels: { ...look.labels, filter } };
}

const range = (least: number | undefined, most: number | undefined) => ({
  ...(least === undefined ? {} : { min: least }),
  ...(most === undefined ? {} : { max: most }),
});

/**
 * Curves over a number, in the page's colours: the one plot under every chart. `text` says what the picture shows; an
 * axis has its name and unit. The same curves are not drawn again when only what lies over the plot moves.
 */
export const Plot = memo(function Plot({
  text,
  curves,
  x,
  y,
  right,
  log = false,
  xLog = false,
  xRange,
  xStep,
  yRange,
  yMost,
  rightMost,
  legend = 'direct',
  hidden = false,
  onPlaced,
}: {
  text: string;
  curves: readonly Curve[];
  x: string;
  y: string;
  /** Name of a second axis at the right. */
  right?: string;
  log?: boolean;
  xLog?: boolean;
  xRange?: readonly [number, number];
  /** Distance of marks along the axis. */
  xStep?: number;
  yRange?: readonly [number, number];
  /** Room for values that are not drawn as curves. */
  yMost?: number;
  rightMost?: number;
  /** `direct` names curves at their ends and lists only points. */
  legend?: 'direct' | 'bottom' | 'right' | 'none';
  /** What is around says `text` for it. */
  hidden?: boolean;
  onPlaced?: (place: Place) => void;
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
      plugins: { legend: legendOf(legend) },
      scales: {
        x: { ...chartAxis(x, xStep), type: xLog ? 'logarithmic' : 'linear', ...range(x0, x1) },
        y: {
          ...chartAxis(y),
          type: log ? 'logarithmic' : 'linear',
          ...range(y0, y1),
          ...(yMost === undefined ? {} : { beginAtZero: true, suggestedMax: yMost }),
        },
        ...(right === undefined
          ? {}
          : {
              right: {
                ...chartAxis(right),
                position: 'right' as const,
                beginAtZero: true,
                ...(rightMost === undefined ? {} : { suggestedMax: rightMost }),
                grid: { drawOnChartArea: false },
              },
            }),
      },
    }),
    // The theme is read from the page while this is made.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [x, xStep, y, right, log, xLog, x0, x1, y0, y1, yMost, rightMost, legend, theme],
  );
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const data = useMemo(() => ({ datasets: curves.map(datasetOf) }), [curves, theme]);
  const plugins = useMemo(
    () => [...(onPlaced ? [placing(onPlaced)] : []), ...(legend === 'direct' ? [directLabels] : [])],
    [onPlaced, legend],
  );
  return (
    <Line
      {...(hidden ? { 'aria-hidden': true } : { role: 'img', 'aria-label': text })}
      data={data}
      options={options}
      plugins={plugins}
    />
  );
});
