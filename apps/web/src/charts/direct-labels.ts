import type { Chart, Plugin } from 'chart.js';
import { CHART_FONT, themeColour } from './chart-theme.ts';

/** Height of a label with room, px. */
const LINE = 15;
const SIZE = 12;
/** From a curve to the middle of its name, px. */
const ROOM = 11;
/** Room to the right end of the plot, px. */
const ASIDE = 6;

interface Label {
  readonly text: string;
  readonly colour: string;
  readonly x: number;
  y: number;
}

/** Where each curve is last seen in the plot: there its name stands. Points have their names in the legend. */
function labelsOf(chart: Chart): Label[] {
  const { left, right, top, bottom } = chart.chartArea;
  const labels: Label[] = [];
  chart.data.datasets.forEach((set, i) => {
    const meta = chart.getDatasetMeta(i);
    if (!set.label || meta.hidden || ('showLine' in set && set.showLine === false)) return;
    const seen = meta.data.filter((p) => p.x >= left && p.x <= right && p.y >= top - 1 && p.y <= bottom + 1);
    const last = seen.at(-1);
    if (!last) return;
    // Beside the curve: below one that falls towards its end, above one that rises, and never over the frame.
    const before = seen.at(-Math.min(seen.length, Math.ceil(seen.length / 8)))!;
    const above = before.y >= last.y && last.y - ROOM > top + ROOM;
    labels.push({
      text: set.label,
      colour: String(set.borderColor),
      x: Math.min(last.x, right - ASIDE),
      y: Math.min(bottom - 8, Math.max(top + ROOM, last.y + (above ? -ROOM : ROOM))),
    });
  });
  return labels;
}

/** Labels that would lie on one another are moved apart, in their order from the top, and stay in the plot. */
function spread(labels: Label[], top: number, bottom: number): Label[] {
  const placed: Label[] = [];
  for (const label of [...labels].sort((a, b) => a.y - b.y)) {
    const near = placed.filter((p) => Math.abs(p.x - label.x) < 160);
    while (near.some((p) => Math.abs(p.y - label.y) < LINE)) label.y += 2;
    placed.push(label);
  }
  const over = Math.max(0, ...placed.map((p) => p.y)) - (bottom - 4);
  if (over > 0) for (const p of placed) p.y = Math.max(top + 10, p.y - over);
  return placed;
}

/** Names of curves at their ends, in their colours, instead of a legend to look up. */
export const directLabels: Plugin<'line'> = {
  id: 'direct-labels',
  afterDatasetsDraw(chart) {
    const { ctx, chartArea } = chart;
    if (!chartArea) return;
    ctx.save();
    ctx.font = `600 ${SIZE}px "${CHART_FONT}", sans-serif`;
    ctx.textAlign = 'right';
    ctx.textBaseline = 'middle';
    ctx.lineJoin = 'round';
    ctx.lineWidth = 4;
    ctx.strokeStyle = themeColour('card');
    for (const label of spread(labelsOf(chart as Chart), chartArea.top, chartArea.bottom)) {
      // A curve that ends near the left keeps its name in the plot.
      const x = Math.max(label.x, chartArea.left + ctx.measureText(label.text).width + ASIDE);
      ctx.strokeText(label.text, x, label.y);
      ctx.fillStyle = label.colour;
      ctx.fillText(label.text, x, label.y);
    }
    ctx.restore();
  },
};
