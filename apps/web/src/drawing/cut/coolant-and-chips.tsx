import type { HoleOperation } from '@burl/core';
import type { HolePlace } from './hole-place.ts';

/** Coolant down the tool or from outside, and chips on their way up. */
export function CoolantAndChips({ op, place }: { op: HoleOperation; place: HolePlace }) {
  const { cx, top, half, noseY, floor } = place;
  // Where chips come up along the tool: nothing else has flutes that carry them.
  const chips = 'peck' in op.cut || 'synchronous' in op.cut;
  const inside = op.coolant === 'through-tool';
  const wet = inside || op.coolant === 'flood';
  return (
    <g aria-hidden="true">
      {wet &&
        (inside ? (
          <g stroke="var(--clear)" strokeWidth="1.4" fill="none" opacity="0.8">
            <line x1={cx - 2} x2={cx - 2} y1={noseY - 8} y2={floor - 6} strokeDasharray="7 4" />
            <path d={`M${cx - 6} ${floor - 10} L${cx - 2} ${floor - 4} L${cx + 2} ${floor - 10}`} />
          </g>
        ) : (
          <g stroke="var(--clear)" strokeWidth="1.4" fill="none" opacity="0.8">
            <path
              d={`M${cx - half - 60} ${top - 34} Q${cx - half - 20} ${top - 26} ${cx - half - 3} ${top - 4}`}
              strokeDasharray="7 4"
            />
          </g>
        ))}
      {chips &&
        [0.25, 0.5, 0.75].map((t) => (
          <path
            key={t}
            d={`M${cx + half - 5} ${floor - t * (floor - top)} q3 -4 0 -7 q-3 -3 1 -6`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="1.1"
            opacity="0.55"
          />
        ))}
    </g>
  );
}
