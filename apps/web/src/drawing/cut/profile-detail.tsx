import {
  beforeProfile,
  contourOf,
  formatMeasure,
  type OperationContext,
  profilingEdge,
  reachOf,
  steepest,
  type TurningOperation,
} from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { halo } from '../drawing.tsx';
import { Detail, detailAt, type SectionPlace } from './half-section.tsx';
import { ProfileLeft, SHOWN } from './profile-left.tsx';

const SIZE = { y: 28, width: 214, height: 118 } as const;
const ROOM = { width: 186, height: 50 } as const;
/** Drawn so much larger at the least, or the half-section itself shows it. */
const LARGER = 1.6;

/** The part of a profile that lies deepest: from where it leaves the largest surface to where it comes back, mm from the free end. */
function deepPart({ stretch: s }: TurningOperation): { readonly from: number; readonly to: number } | null {
  if (!s.profile) return null;
  const inside = s.way === 'inside';
  const contour = contourOf(s.profile, inside);
  const surface = (inside ? Math.min : Math.max)(...contour.map((p) => p.r));
  const away = contour.flatMap((p, i) => (Math.abs(p.r - surface) > 1e-6 ? [i] : []));
  const [first, last] = [away[0], away.at(-1)];
  if (first === undefined || last === undefined) return null;
  return { from: contour[Math.max(0, first - 1)]!.z, to: contour[Math.min(contour.length - 1, last + 1)]!.z };
}

/** Where in the profile the tool is shown, mm from the free end: in the middle of what lies deepest. */
export function deepestPlace({ stretch: s }: TurningOperation): number | null {
  if (!s.profile) return null;
  const deepest = contourOf(s.profile, s.way === 'inside').filter((p) => Math.abs(2 * p.r - s.endMm) < 1e-3);
  const [first, last] = [deepest[0], deepest.at(-1)];
  return first && last ? (first.z + last.z) / 2 : null;
}

/** The deep part of a profile again, larger, with what the edges leave of it. */
export function ProfileDetail({
  op,
  context,
  endMm,
  tipX,
  scale,
}: {
  op: TurningOperation;
  context: OperationContext;
  /** Where the free end stands, mm from the jaws. */
  endMm: number;
  /** Where the tool stands, and the scale of the half-section, px. */
  tipX: number;
  scale: number;
}) {
  const system = useSystem();
  const { stretch: s } = op;
  const part = deepPart(op);
  if (!s.profile || !part || part.to - part.from < 1e-6) return null;
  const inside = s.way === 'inside';
  const contour = contourOf(s.profile, inside);
  const within = contour.filter((p) => p.z >= part.from - 1e-9 && p.z <= part.to + 1e-9).map((p) => p.r);
  const [low, high] = [Math.min(...within), Math.max(...within)];
  const larger = Math.min(ROOM.width / (part.to - part.from), ROOM.height / Math.max(0.1, high - low));
  if (larger < LARGER * scale) return null;
  const frame = { ...SIZE, x: detailAt(tipX, SIZE.width) };
  const begins = frame.x + (frame.width - (part.to - part.from) * larger) / 2;
  const foot = frame.y + 30 + ROOM.height;
  const place: Pick<SectionPlace, 'x' | 'y'> = {
    x: (along) => begins + (along - (endMm - part.to)) * larger,
    y: (r) => foot - (r - low) * larger,
  };
  const edge = profilingEdge(context.cutter);
  const { fallDeg } = steepest(contour, inside);
  const { uncutMm } = reachOf(s.profile, inside, beforeProfile(s), edge);
  const left = uncutMm >= SHOWN;
  const deg = (v: number): string => formatMeasure(v, 'deg', system);
  const points = contour
    .map((p) => `${place.x(endMm - p.z).toFixed(2)},${place.y(p.r).toFixed(2)}`)
    .join(' ');
  const clip = `profile-detail-${op.stretch.way}`;
  return (
    <Detail {...frame} title="Profile">
      <clipPath id={clip}>
        <rect x={frame.x + 4} y={frame.y + 20} width={frame.width - 8} height={ROOM.height + 22} />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        <polyline points={points} fill="none" stroke="var(--ink)" strokeWidth={1.5} />
        <ProfileLeft op={op} context={context} endMm={endMm} place={place} />
      </g>
      <text
        x={frame.x + frame.width / 2}
        y={frame.y + frame.height - 9}
        textAnchor="middle"
        fontSize="calc(12px * var(--text, 1))"
        fill={left ? 'var(--over)' : 'var(--ink)'}
        fontWeight={left ? 650 : 400}
        {...halo('card')}
      >
        {left
          ? `${formatMeasure(uncutMm, 'mm', system)} uncut: falls ${deg(fallDeg)}, edge ${deg(edge.backDeg)}`
          : fallDeg > 0.05
            ? `falls ${deg(fallDeg)}, the edge follows ${deg(edge.backDeg)}`
            : `nose ${formatMeasure(edge.noseMm, 'mm', system)}`}
      </text>
    </Detail>
  );
}
