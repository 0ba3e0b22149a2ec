import { type BlockTable, FEED, type Stock } from '@burl/core';
import { useEffect, useMemo, useRef } from 'react';
import { rgbOf, themeColour } from '../../charts/chart-theme.ts';
import { useWidth } from '../../drawing/use-width.ts';
import { usePreferences } from '../../frame/preferences.tsx';

/** Steps of colour from the least to the most of a number. */
const STEPS = 12;
const ROOM = 14;

/** From above X runs right and Y up; from the side X right and Z up. */
export type View = 'above' | 'side';

interface Frame {
  readonly scale: number;
  readonly px: (x: number) => number;
  readonly py: (y: number) => number;
}

/** Bounds of what is fed, and of the material, in a view. */
function boundsOf(table: BlockTable, stock: Stock | null, view: View): [number, number, number, number] {
  const up = view === 'above' ? table.y : table.z;
  const fromUp = view === 'above' ? table.fromY : table.fromZ;
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let i = 0; i < table.count; i++) {
    if (table.kind[i] !== FEED) continue;
    x0 = Math.min(x0, table.x[i]!, table.fromX[i]!);
    x1 = Math.max(x1, table.x[i]!, table.fromX[i]!);
    y0 = Math.min(y0, up[i]!, fromUp[i]!);
    y1 = Math.max(y1, up[i]!, fromUp[i]!);
    if (table.sweep[i] !== 0 && view === 'above') {
      const r = Math.hypot(table.x[i]! - table.centreX[i]!, table.y[i]! - table.centreY[i]!);
      [x0, x1] = [Math.min(x0, table.centreX[i]! - r), Math.max(x1, table.centreX[i]! + r)];
      [y0, y1] = [Math.min(y0, table.centreY[i]! - r), Math.max(y1, table.centreY[i]! + r)];
    }
  }
  if (stock) {
    const axis = view === 'above' ? 1 : 2;
    [x0, x1] = [Math.min(x0, stock.low[0]), Math.max(x1, stock.high[0])];
    [y0, y1] = [Math.min(y0, stock.low[axis]), Math.max(y1, stock.high[axis])];
  }
  return x0 > x1 ? [0, 0, 1, 1] : [x0, y0, x1, y1];
}

function frameOf(
  [x0, y0, x1, y1]: readonly [number, number, number, number],
  width: number,
  height: number,
): Frame {
  const scale = Math.min(
    (width - 2 * ROOM) / Math.max(x1 - x0, 1e-3),
    (height - 2 * ROOM) / Math.max(y1 - y0, 1e-3),
  );
  const left = (width - scale * (x1 - x0)) / 2;
  const bottom = (height + scale * (y1 - y0)) / 2;
  return { scale, px: (x) => left + scale * (x - x0), py: (y) => bottom - scale * (y - y0) };
}

/** The line of one block. */
function trace(path: CanvasRenderingContext2D, t: BlockTable, i: number, f: Frame, view: View): void {
  const above = view === 'above';
  path.moveTo(f.px(t.fromX[i]!), f.py(above ? t.fromY[i]! : t.fromZ[i]!));
  const sweep = t.sweep[i]!;
  if (sweep === 0) {
    path.lineTo(f.px(t.x[i]!), f.py(above ? t.y[i]! : t.z[i]!));
    return;
  }
  const [cx, cy] = [t.centreX[i]!, t.centreY[i]!];
  const r = Math.hypot(t.fromX[i]! - cx, t.fromY[i]! - cy);
  const start = Math.atan2(t.fromY[i]! - cy, t.fromX[i]! - cx);
  const count = Math.max(4, Math.ceil(Math.abs(sweep) * 8));
  for (let k = 1; k <= count; k++) {
    const a = start + (sweep * k) / count;
    const z = t.fromZ[i]! + ((t.z[i]! - t.fromZ[i]!) * k) / count;
    path.lineTo(f.px(cx + r * Math.cos(a)), f.py(above ? cy + r * Math.sin(a) : z));
  }
}

/** Colour of a step, from the page's ink for little to its strongest for much. */
function stepColour(step: number): string {
  const [low, high] = [rgbOf('accent'), rgbOf('over')];
  const t = step / (STEPS - 1);
  return `rgb(${low.map((c, i) => Math.round(c + t * (high[i]! - c))).join(',')})`;
}

/** Path of a program, each block coloured by a number; the cutter stands where it runs. A click takes the nearest block. */
export function PathPicture({
  table,
  values,
  most,
  stock,
  view,
  at,
  height,
  onTake,
}: {
  table: BlockTable;
  values: Float32Array;
  /** Value of the strongest colour. */
  most: number;
  stock: Stock | null;
  view: View;
  /** Block that runs. */
  at: number;
  height: number;
  onTake: (block: number) => void;
}) {
  const [box, measured] = useWidth<HTMLDivElement>();
  const base = useRef<HTMLCanvasElement>(null);
  const over = useRef<HTMLCanvasElement>(null);
  const { theme } = usePreferences();
  const width = measured ?? 400;
  const bounds = useMemo(() => boundsOf(table, stock, view), [table, stock, view]);
  const frame = useMemo(() => frameOf(bounds, width, height), [bounds, width, height]);

  useEffect(() => {
    const c = sized(base.current, width, height);
    if (!c) return;
    drawStock(c, stock, frame, view);
    c.lineWidth = 0.7;
    c.strokeStyle = themeColour('line');
    c.setLineDash([3, 3]);
    c.beginPath();
    for (let i = 0; i < table.count; i++) if (table.kind[i] !== FEED) trace(c, table, i, frame, view);
    c.stroke();
    c.setLineDash([]);
    const step = (i: number): number =>
      Math.max(0, Math.min(STEPS - 1, Math.floor(((values[i] ?? 0) / Math.max(most, 1e-9)) * STEPS)));
    for (let s = 0; s < STEPS; s++) {
      c.strokeStyle = stepColour(s);
      c.lineWidth = 1 + s / 8;
      c.beginPath();
      for (let i = 0; i < table.count; i++)
        if (table.kind[i] === FEED && step(i) === s) trace(c, table, i, frame, view);
      c.stroke();
    }
  }, [table, values, most, stock, frame, view, width, height, theme]);

  useEffect(() => {
    const c = sized(over.current, width, height);
    if (!c || table.count === 0) return;
    const i = Math.min(at, table.count - 1);
    c.strokeStyle = themeColour('ink');
    c.lineWidth = 2.5;
    c.beginPath();
    trace(c, table, i, frame, view);
    c.stroke();
    const r = (table.radius[i] || 2) * frame.scale;
    c.lineWidth = 1.5;
    c.beginPath();
    if (view === 'above') c.arc(frame.px(table.x[i]!), frame.py(table.y[i]!), Math.max(3, r), 0, 2 * Math.PI);
    else c.rect(frame.px(table.x[i]!) - Math.max(2, r), frame.py(table.z[i]!) - 60, 2 * Math.max(2, r), 60);
    c.stroke();
  }, [table, at, frame, view, width, height, theme]);

  const take = (e: { clientX: number; clientY: number; currentTarget: Element }): void => {
    const rect = e.currentTarget.getBoundingClientRect();
    const [mx, my] = [e.clientX - rect.left, e.clientY - rect.top];
    const up = view === 'above' ? table.y : table.z;
    let [best, near] = [-1, 20 ** 2];
    for (let i = 0; i < table.count; i++) {
      if (table.kind[i] !== FEED) continue;
      const d = (frame.px(table.x[i]!) - mx) ** 2 + (frame.py(up[i]!) - my) ** 2;
      if (d < near) [best, near] = [i, d];
    }
    if (best >= 0) onTake(best);
  };

  return (
    <div ref={box} className="relative w-full" style={{ height }}>
      <canvas
        ref={base}
        role="img"
        aria-label={view === 'above' ? 'Path from above' : 'Path from the side'}
        className="absolute inset-0"
        style={{ width, height }}
      />
      <canvas
        ref={over}
        aria-hidden="true"
        className="absolute inset-0 cursor-crosshair"
        style={{ width, height }}
        onClick={take}
      />
      <span className="absolute top-1 left-2 text-[12px] text-soft">
        {view === 'above' ? 'From above' : 'From the side'}
      </span>
    </div>
  );
}

function sized(
  canvas: HTMLCanvasElement | null,
  width: number,
  height: number,
): CanvasRenderingContext2D | null {
  if (!canvas) return null;
  const ratio = window.devicePixelRatio || 1;
  canvas.width = width * ratio;
  canvas.height = height * ratio;
  const c = canvas.getContext('2d');
  if (!c) return null;
  c.scale(ratio, ratio);
  c.clearRect(0, 0, width, height);
  c.lineJoin = 'round';
  return c;
}

function drawStock(c: CanvasRenderingContext2D, stock: Stock | null, f: Frame, view: View): void {
  if (!stock) return;
  const axis = view === 'above' ? 1 : 2;
  const [x, y] = [f.px(stock.low[0]), f.py(stock.high[axis])];
  const [w, h] = [f.px(stock.high[0]) - x, f.py(stock.low[axis]) - y];
  c.fillStyle = themeColour('stock');
  c.strokeStyle = themeColour('stock-line');
  c.lineWidth = 1;
  c.beginPath();
  if (stock.barMm !== null && view === 'above')
    c.arc(x + w / 2, y + h / 2, (stock.barMm / 2) * f.scale, 0, 2 * Math.PI);
  else c.rect(x, y, w, h);
  c.fill();
  c.stroke();
  if (view !== 'above') return;
  c.fillStyle = themeColour('card');
  for (const hole of stock.holes) {
    c.beginPath();
    c.arc(f.px(hole.x), f.py(hole.y), (hole.diameterMm / 2) * f.scale, 0, 2 * Math.PI);
    c.fill();
    c.stroke();
  }
  for (const pocket of stock.pockets ?? []) {
    c.beginPath();
    c.roundRect(
      f.px(pocket.low[0]),
      f.py(pocket.high[1]),
      (pocket.high[0] - pocket.low[0]) * f.scale,
      (pocket.high[1] - pocket.low[1]) * f.scale,
      pocket.cornerMm * f.scale,
    );
    c.fill();
    c.stroke();
  }
}
