import { formatMeasure, type StabilityMap } from '@burl/core';
import { useEffect, useRef } from 'react';
import { themeColour } from '../../charts/chart-theme.ts';
import { usePreferences } from '../../frame/preferences.tsx';

/** Growth in a turn, in logs, beyond which the colour is full. */
const FULL = 2;

/** Colour of the page's theme as red, green, blue. */
export function rgbOf(name: string): readonly [number, number, number] {
  const hex = themeColour(name).replace('#', '');
  const part = (i: number): number => parseInt(hex.slice(i, i + 2), 16) || 0;
  return [part(0), part(2), part(4)];
}

/** Stability over speed and depth: how fast vibration dies or grows, and the border between. */
export function MapPicture({ map, rpm, depthMm }: { map: StabilityMap; rpm: number; depthMm: number }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { system, theme } = usePreferences();
  const columns = map.rpm.length;
  const rows = map.depthMm.length;
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const image = context.createImageData(columns, rows);
    const [card, dies, grows, ink] = [rgbOf('card'), rgbOf('clear'), rgbOf('over'), rgbOf('ink')];
    for (let r = 0; r < rows; r++) {
      for (let c = 0; c < columns; c++) {
        const growth = map.growth[r * columns + c]!;
        const above = r > 0 ? map.growth[(r - 1) * columns + c]! : growth;
        // The border is drawn in ink, so that it does not rest on colour alone.
        const border = growth >= 0 !== above >= 0;
        const to = border ? ink : growth < 0 ? dies : grows;
        const share = border ? 1 : 0.15 + 0.7 * Math.min(1, Math.abs(growth) / FULL);
        const at = ((rows - 1 - r) * columns + c) * 4;
        for (let k = 0; k < 3; k++) image.data[at + k] = card[k]! + share * (to[k]! - card[k]!);
        image.data[at + 3] = 255;
      }
    }
    context.putImageData(image, 0, 0);
  }, [map, columns, rows, theme]);
  const first = map.rpm[0]!;
  const last = map.rpm[columns - 1]!;
  const most = map.depthMm[rows - 1]!;
  const stable = [...map.growth].filter((g) => g < 0).length / map.growth.length;
  return (
    <figure>
      <figcaption className="mb-1 text-[13px] text-soft">
        Periodic solution, {columns} × {rows} points, {((100 * map.computed) / (columns * rows)).toFixed(0)} %
        of them worked out: green: vibration decays; red: grows; line: stability limit. Depth as it counts at
        the tip.
      </figcaption>
      <div className="relative h-80">
        <canvas
          ref={canvas}
          width={columns}
          height={rows}
          role="img"
          aria-label={`Map of stability from ${first.toFixed(0)} to ${last.toFixed(0)} rpm and up to ${formatMeasure(most, 'mm', system)} at the tip: ${(100 * stable).toFixed(0)}% of it settles.`}
          className="h-full w-full rounded border border-line"
          style={{ imageRendering: 'pixelated' }}
        />
        {rpm >= first && rpm <= last && depthMm <= most && (
          <span
            className="absolute size-3 -translate-x-1/2 translate-y-1/2 rounded-full border-2 border-ink bg-raised"
            style={{
              left: `${(100 * (rpm - first)) / (last - first)}%`,
              bottom: `${(100 * depthMm) / most}%`,
            }}
          />
        )}
      </div>
      <div className="flex justify-between text-[12.5px] text-soft">
        <span>{formatMeasure(first, 'rpm', system)}</span>
        <span>0 to {formatMeasure(most, 'mm', system)}, upward</span>
        <span>{formatMeasure(last, 'rpm', system)}</span>
      </div>
    </figure>
  );
}
