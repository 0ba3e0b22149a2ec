import { formatMeasure, type Holder } from '@burl/core';
import { useSystem } from '../../../frame/preferences.tsx';

const [W, H] = [520, 190];
const MIDDLE = 86;
/** Flange and taper are drawn by the body, not to a standard: they only tell which end is which. */
const FLANGE = 26;

const good = (v: unknown): v is number => typeof v === 'number' && Number.isFinite(v) && v > 0;

/** A holder lying on its side to scale: spindle at the right, nose with the thickest shank it takes at the left. */
export function HolderDrawing({ holder }: { holder: Holder }) {
  const system = useSystem();
  const { gauge_length_mm: length, body_diameter_mm: body, nose_diameter_mm: nose } = holder;
  const shank = holder.bore_diameter_mm?.[1];
  if (!good(length) || !good(body) || !good(nose))
    return <p className="text-[13px] text-soft">Gauge length, body and nose diameter draw the holder.</p>;
  const widest = Math.max(body, nose);
  const scale = Math.min(280 / length, 104 / widest);
  const spindle = 400;
  const front = spindle - length * scale;
  const r = (d: number): number => (d * scale) / 2;
  // The nose goes over into the body in the last half of its length.
  const step = front + 0.45 * length * scale;
  const half = (sign: 1 | -1): string[] => [
    `${front},${MIDDLE - sign * r(nose)}`,
    `${step},${MIDDLE - sign * r(body)}`,
    `${spindle},${MIDDLE - sign * r(body)}`,
  ];
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      role="img"
      aria-label={`${holder.name || 'Holder'}: gauge length ${mm(length)}, nose ${mm(nose)}`}
      className="h-auto w-full rounded-md border border-line bg-paper"
    >
      {good(shank) && (
        <rect
          x={Math.max(4, front - 46)}
          y={MIDDLE - r(shank)}
          width={front - Math.max(4, front - 46) + 30}
          height={2 * r(shank)}
          fill="var(--accent-soft)"
          stroke="var(--accent)"
        />
      )}
      <polygon
        points={[...half(1), ...half(-1).reverse()].join(' ')}
        fill="var(--raised)"
        stroke="var(--ink)"
        strokeWidth="1.4"
      />
      <rect
        x={spindle}
        y={MIDDLE - r(widest) - 6}
        width={FLANGE}
        height={2 * r(widest) + 12}
        fill="var(--line)"
        stroke="var(--ink)"
      />
      <polygon
        points={`${spindle + FLANGE},${MIDDLE - 0.8 * r(widest)} ${W - 10},${MIDDLE - 0.5 * r(widest)} ${W - 10},${MIDDLE + 0.5 * r(widest)} ${spindle + FLANGE},${MIDDLE + 0.8 * r(widest)}`}
        fill="var(--line)"
        stroke="var(--ink)"
      />
      <line x1={4} x2={W - 4} y1={MIDDLE} y2={MIDDLE} stroke="var(--soft)" strokeDasharray="9 3 2 3" />
      <g stroke="var(--soft)">
        <line x1={front} x2={spindle} y1={168} y2={168} />
        <line x1={front} x2={front} y1={163} y2={173} />
        <line x1={spindle} x2={spindle} y1={163} y2={173} />
      </g>
      <g fontSize="12.5" fill="var(--ink)">
        <text x={(front + spindle) / 2} y={184} textAnchor="middle">
          gauge length {mm(length)}
        </text>
        <text x={front} y={18}>
          nose ⌀ {mm(nose)}
        </text>
        <text x={spindle} y={18} textAnchor="end">
          body ⌀ {mm(body)}
        </text>
      </g>
    </svg>
  );
}
