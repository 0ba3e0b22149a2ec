import { asList, formatMeasure, type Peck, type PeckList } from '@burl/core';
import { halo } from '../drawing.tsx';
import { Handle } from '../handle.tsx';
import { useSystem } from '../../frame/preferences.tsx';
import type { HolePlace } from './hole-place.ts';

/** Handles on pecks closer than this are left out: the list in the form has them all. */
const ROOM = 20;
/** Least distance of two pecks that are dragged, and their step, mm. */
const LEAST_PECK = 0.2;
const STEP = 0.1;

/** Places that have room from the top down; with `last` the lowest is kept and what crowds it left out. */
function withRoom(places: readonly number[], last: boolean): ReadonlySet<number> {
  const kept = new Set<number>();
  const lowest = places.at(-1) ?? 0;
  let above = -Infinity;
  places.forEach((y, i) => {
    const end = i === places.length - 1;
    if (last && end ? false : y - above < ROOM || (last && lowest - y < ROOM)) return;
    kept.add(i);
    above = y;
  });
  return kept;
}

/** Pecks on the depth axis, with handles on those that can be moved, and how many there are. */
export function PecksInSection({
  pecks,
  place,
  disabled,
  onPecks,
}: {
  pecks: readonly Peck[];
  place: HolePlace;
  disabled: boolean;
  onPecks: (pecks: PeckList) => void;
}) {
  const system = useSystem();
  const { cx, half, y, depth, scale, bottom } = place;
  const listed = asList(pecks);
  const held = withRoom(
    listed.toMm.map((d) => y(d)),
    false,
  );
  const shown = withRoom(
    pecks.map((k) => y(k.toMm)),
    true,
  );
  const [first] = pecks;
  const retract = first?.retract === 'full' ? 'full retract' : 'chip-break retract';
  const move = (i: number) => (mm: number) =>
    onPecks({ ...listed, toMm: listed.toMm.map((d, j) => (j === i ? mm : d)) });
  return (
    <>
      {pecks.map((k, i) => (
        <g key={i}>
          <line x1={cx + half + 4} x2={cx + half + 18} y1={y(k.toMm)} y2={y(k.toMm)} stroke="var(--ink)" />
          {shown.has(i) && (
            <text
              x={cx + half + 34}
              y={y(k.toMm) + 4}
              fontSize="calc(12px * var(--text, 1))"
              fill="var(--ink)"
              {...halo('stock')}
            >
              {formatMeasure(k.toMm, 'mm', system)}
            </text>
          )}
        </g>
      ))}
      <text
        x={30}
        y={bottom + 17}
        fontSize="calc(12.5px * var(--text, 1))"
        fill="var(--ink)"
        {...halo('stock')}
      >
        {pecks.length === 1 ? 'one peck' : `${pecks.length} pecks, ${retract} between`}
      </text>
      {listed.toMm.map((d, i) =>
        !held.has(i) ? null : (
          <Handle
            key={i}
            x={cx + half + 24}
            y={y(d)}
            axis="y"
            label={`Peck ${i + 1} to`}
            value={d}
            unit="mm"
            low={(listed.toMm[i - 1] ?? 0) + LEAST_PECK}
            high={(listed.toMm[i + 1] ?? depth) - LEAST_PECK}
            step={STEP}
            perUnit={1 / scale}
            disabled={disabled}
            onMove={move(i)}
          />
        ),
      )}
    </>
  );
}
