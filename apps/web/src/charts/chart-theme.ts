/** Font of every chart, as the page's. */
export const CHART_FONT = 'Atkinson Hyperlegible Next Variable';

/** A colour of the page's theme by its name in the style sheet. */
export const themeColour = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim();

/** An axis in the page's ink. */
export const chartAxis = (title: string) => ({
  title: { display: true, text: title, color: themeColour('ink') },
  ticks: {
    color: themeColour('ink'),
    maxRotation: 0,
    maxTicksLimit: 7,
    font: { family: CHART_FONT },
  },
  grid: { color: themeColour('line') },
});

/** A legend in the page's ink, at the right of the chart. */
export const chartLegend = () => ({
  position: 'right' as const,
  labels: {
    color: themeColour('ink'),
    usePointStyle: true,
    boxWidth: 6,
    boxHeight: 6,
    font: { family: CHART_FONT, size: 12 },
  },
});
