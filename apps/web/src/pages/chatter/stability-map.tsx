import { formatMeasure, type StabilityMap } from '@burl/core';
import { useCallback } from 'react';
import { HeatMap, type Tint } from '../../charts/heat-map.tsx';
import { useSystem } from '../../frame/preferences.tsx';

/** Growth in a turn, in logs, beyond which the colour is full. */
const FULL = 2;

/** Stability over speed and depth: how fast vibration dies or grows, and the border between. */
export function MapPicture({ map, rpm, depthMm }: { map: StabilityMap; rpm: number; depthMm: number }) {
  const system = useSystem();
  const columns = map.rpm.length;
  const rows = map.depthMm.length;
  const tintOf = useCallback(
    (column: number, row: number): Tint => {
      const growth = map.growth[row * columns + column]!;
      const below = row > 0 ? map.growth[(row - 1) * columns + column]! : growth;
      // The border is drawn in ink, so that it does not rest on colour alone.
      if (growth >= 0 !== below >= 0) return { colour: 'ink', share: 1 };
      return {
        colour: growth < 0 ? 'clear' : 'over',
        share: 0.15 + 0.7 * Math.min(1, Math.abs(growth) / FULL),
      };
    },
    [map, columns],
  );
  const first = map.rpm[0]!;
  const last = map.rpm[columns - 1]!;
  const most = map.depthMm[rows - 1]!;
  const stable = [...map.growth].filter((g) => g < 0).length / map.growth.length;
  return (
    <figure>
      <figcaption className="mb-1 text-[13px] text-soft">
        Periodic solution, {columns} × {rows} points, {((100 * map.computed) / (columns * rows)).toFixed(0)}%
        of them calculated: green: vibration decays; red: grows; line: stability limit. Depth as it counts at
        the tip.
      </figcaption>
      <div className="h-80">
        <HeatMap
          text={`Map of stability from ${first.toFixed(0)} to ${last.toFixed(0)} rpm and up to ${formatMeasure(most, 'mm', system)} at the tip: ${(100 * stable).toFixed(0)}% of it settles.`}
          columns={columns}
          rows={rows}
          tintOf={tintOf}
        >
          {rpm >= first && rpm <= last && depthMm <= most && (
            <span
              className="absolute size-3 -translate-x-1/2 translate-y-1/2 rounded-full border-2 border-ink bg-raised"
              style={{
                left: `${(100 * (rpm - first)) / (last - first)}%`,
                bottom: `${(100 * depthMm) / most}%`,
              }}
            />
          )}
        </HeatMap>
      </div>
      <div className="flex justify-between text-[12.5px] text-soft">
        <span>{formatMeasure(first, 'rpm', system)}</span>
        <span>0 to {formatMeasure(most, 'mm', system)}, upward</span>
        <span>{formatMeasure(last, 'rpm', system)}</span>
      </div>
    </figure>
  );
}
