import {
  BLOCK_NUMBERS,
  blockAtMinute,
  type BlockNumber,
  type BlockTable,
  type MeasuredLines,
  toShown,
  UNITS,
} from '@burl/core';
import { useMemo, useState } from 'react';
import { type Curve, type Place, Plot } from '../../charts/plot.tsx';
import { useSystem } from '../../frame/preferences.tsx';

/** Columns of the strip: each shows the most of what runs in it. */
const COLUMNS = 500;

/** A number along the time of the program, with the running block; a click takes the block of that time. */
export function Strip({
  table,
  shown,
  at,
  measured,
  onTake,
}: {
  table: BlockTable;
  shown: BlockNumber;
  at: number;
  /** Load measured at the machine by line, %. */
  measured: MeasuredLines;
  onTake: (block: number) => void;
}) {
  const system = useSystem();
  const [place, setPlace] = useState<Place | null>(null);
  const { name, unit } = BLOCK_NUMBERS[shown];
  const total = table.count > 0 ? table.minutes[table.count - 1]! : 0;
  const curves = useMemo<Curve[]>(() => {
    const values = table.values[shown];
    const most = new Float64Array(COLUMNS).fill(-1);
    const seen = new Float64Array(COLUMNS).fill(-1);
    for (let i = 0; i < table.count; i++) {
      const from = Math.floor(((i === 0 ? 0 : table.minutes[i - 1]!) / Math.max(total, 1e-12)) * COLUMNS);
      const to = Math.min(COLUMNS - 1, Math.floor((table.minutes[i]! / Math.max(total, 1e-12)) * COLUMNS));
      const load = (measured.get(table.line[i]!) ?? -100) / 100;
      for (let c = Math.min(from, COLUMNS - 1); c <= to; c++) {
        most[c] = Math.max(most[c]!, values[i]!);
        seen[c] = Math.max(seen[c]!, load);
      }
    }
    const points = (columns: Float64Array): Curve['points'] =>
      [...columns].flatMap((v, c) =>
        v < 0 ? [] : [{ x: ((c + 0.5) / COLUMNS) * total, y: toShown(v, unit, system) }],
      );
    const predicted = {
      label: 'predicted',
      points: points(most),
      colour: 'series-1',
      width: 1.5,
      stepped: true,
    } as const;
    if (shown !== 'meter' || measured.size === 0) return [predicted];
    return [
      predicted,
      {
        label: 'measured',
        points: points(seen),
        colour: 'series-2',
        width: 1.5,
        dash: [4, 3],
        stepped: true,
      },
    ];
  }, [table, shown, measured, total, unit, system]);
  const minute = table.count > 0 ? (table.minutes[Math.min(at, table.count - 1)] ?? 0) : 0;
  return (
    <div
      className="relative h-full"
      onClick={(e) => {
        if (!place) return;
        const rect = e.currentTarget.getBoundingClientRect();
        const m = place.valueAt(e.clientX - rect.left);
        if (Number.isFinite(m)) onTake(blockAtMinute(table, m));
      }}
    >
      <Plot
        text={`${name} along the program, ${total.toFixed(1)} minutes`}
        curves={curves}
        x="min"
        y={UNITS[unit][system].label}
        xRange={[0, Math.max(total, 1e-3)]}
        yMost={1e-6}
        legend={shown === 'meter' && measured.size > 0 ? 'bottom' : 'none'}
        onPlaced={setPlace}
      />
      {place && (
        <div
          aria-hidden="true"
          className="pointer-events-none absolute top-1 bottom-6 w-0.5 bg-ink"
          style={{ left: place.x(minute) }}
        />
      )}
    </div>
  );
}
