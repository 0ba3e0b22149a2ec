import type { HoleOperation } from '@burl/core';
import { halo } from '../drawing.tsx';
import type { HolePlace } from './hole-place.ts';

/** Sides of the work in the picture. */
const LEFT = 20;
const RIGHT = 385;
/** Cross holes drawn at most. */
const MOST_CROSS = 3;

/** The work around the hole: entry slope, chamfer, bottom, what was there before, holes that cross it. */
export function HoleOutline({ op, place }: { op: HoleOperation; place: HolePlace }) {
  const { hole } = op;
  const { cx, top, bottom, half, wide, floor, y, depth, point, rim } = place;
  const slope = Math.tan((hole.entryAngleDeg * Math.PI) / 180);
  const rise = Math.min(26, slope * (cx - LEFT));
  const bevel = rim * wide;
  const drop = (rise * (half + bevel)) / (cx - LEFT);
  const before = (hole.startMm / 2) * wide;
  const crossing = Math.min(MOST_CROSS, hole.crossHoles);
  return (
    <>
      <path
        d={`M${LEFT} ${top - rise} L${cx - half - bevel} ${top - drop} L${cx - half} ${top - drop + bevel} V${floor} L${cx} ${point > 0 ? y(depth + point) : floor} L${cx + half} ${floor} V${top + drop + bevel} L${cx + half + bevel} ${top + drop} L${RIGHT} ${top + rise} V${hole.through ? floor : bottom + 8} H${LEFT} Z`}
        fill="url(#stock)"
        stroke="var(--stock-line)"
      />
      {hole.startMm > 0 && point === 0 && (
        <g stroke="var(--ink)" strokeDasharray="3 3" opacity="0.6">
          <line x1={cx - before} x2={cx - before} y1={top} y2={floor} />
          <line x1={cx + before} x2={cx + before} y1={top} y2={floor} />
        </g>
      )}
      {Array.from({ length: Math.max(0, crossing) }, (_, i) => (
        <ellipse
          key={i}
          cx={cx + half + 46}
          cy={y((depth * (i + 1)) / (crossing + 1))}
          rx="40"
          ry="8"
          fill="var(--card)"
          stroke="var(--stock-line)"
        />
      ))}
      <text
        x="380"
        y={bottom + 2}
        fontSize="calc(12px * var(--text, 1))"
        fontWeight="600"
        textAnchor="end"
        fill="var(--ink)"
        {...halo('stock')}
      >
        {rim > 0 ? 'rim of the hole' : hole.through ? 'through' : 'blind'}
      </text>
    </>
  );
}
