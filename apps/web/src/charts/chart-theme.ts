/** Font of every chart, as the page's. */
export const CHART_FONT = 'Atkinson Hyperlegible Next Variable';

/** A colour of the page's theme by its name in the style sheet. */
export const themeColour = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim();

/** An axis in the page's ink, with marks at a distance where one is told. */
export const chartAxis = (title: string, stepSize?: number) => ({
  title: { display: true, text: title, color: themeColour('ink'), font: { family: CHART_FONT } },
  ticks: {
    color: themeColour('ink'),
    maxRotation: 0,
    maxTicksLimit: 7,
    ...(stepSize === undefined ? {} : { stepSize }),
    font: { family: CHART_FONT },
  },
  grid: { color: themeColour('line') },
});

/** A legend in the page's ink. */
export const chartLegend = () => ({
  labels: {
    color: themeColour('ink'),
    usePointStyle: true,
    boxWidth: 6,
    boxHeight: 6,
    font: { family: CHART_FONT, size: 12 },
  },
});

/** A colour of the page's theme as red, green, blue. */
export function rgbOf(name: string): readonly [number, number, number] {
  const hex = themeColour(name).replace('#', '');
  const part = (i: number): number => parseInt(hex.slice(i, i + 2), 16) || 0;
  return [part(0), part(2), part(4)];
}
