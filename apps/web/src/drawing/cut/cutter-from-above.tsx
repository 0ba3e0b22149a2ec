import { type MillingOperation, type OperationContext, outerDiameter } from '@burl/core';
import { arc } from 'd3-shape';

/** What stands where in the view from above; lengths in its own units from the middle of the cutter. */
export interface PlanPlace {
  /** Units to a millimetre. */
  readonly scale: number;
  readonly radius: number;
  /** The uncut edge above, and the finished wall below: a radius below the middle unless the axis stands off a face's pass. */
  readonly top: number;
  readonly wall: number;
  /** From the middle to the sides and to the bottom of the picture. */
  readonly before: number;
  readonly ahead: number;
  readonly far: number;
  /** 1 where the work is below, −1 where it is above. */
  readonly side: 1 | -1;
}

/** Angle from the pitch behind at which the first edge is drawn, degrees; how far an edge leads into the body, rad. */
const FIRST_EDGE = 20;
const LEAD = 0.35;

function edgesOf({ cutter }: OperationContext, r: number) {
  const teeth = cutter.properties.ZEFP ?? 2;
  const pitches = cutter.extended.pitch_angles_deg ?? Array<number>(teeth).fill(360 / teeth);
  return pitches.map((_, i) => {
    const turned = pitches.slice(0, i + 1).reduce((sum, a) => sum + a, FIRST_EDGE);
    const t = (turned * Math.PI) / 180;
    return {
      x2: Math.sin(t) * r,
      y2: -Math.cos(t) * r,
      x1: Math.sin(t - LEAD) * r * 0.72,
      y1: -Math.cos(t - LEAD) * r * 0.72,
    };
  });
}

/** The work, finished behind the cutter and uncut ahead of it; in a slot on both sides. */
function Work({ place, slot, face }: { place: PlanPlace; slot: boolean; face: boolean }) {
  const { radius: r, top, wall, before, ahead, far } = place;
  const reach = Math.sqrt(Math.max(0, r * r - top * top));
  const behind = Math.sqrt(Math.max(0, r * r - wall * wall));
  return (
    <>
      <path
        d={
          face
            ? `M${behind} ${wall} A${r} ${r} 0 0 0 ${reach} ${top} L${ahead} ${top} L${ahead} ${wall} Z`
            : `M${-before} ${r} L0 ${r} A${r} ${r} 0 0 0 ${reach} ${top} L${ahead} ${top} L${ahead} ${far} L${-before} ${far} Z`
        }
        fill="url(#stock)"
        stroke="var(--stock-line)"
      />
      {slot && (
        <>
          <path
            d={`M${-before} ${-r} L0 ${-r} L${ahead} ${-r} L${ahead} ${-far} L${-before} ${-far} Z`}
            fill="url(#stock)"
            stroke="var(--stock-line)"
          />
          <rect x={0} y={-r} width={ahead} height={2 * r} fill="url(#stock)" />
        </>
      )}
    </>
  );
}

/** Somebody said how the axis stands over the pass of a face: its other border is seen as well. */
const isPlaced = ({ feature, face }: MillingOperation): boolean =>
  feature.kind === 'face' && face?.offsetMm !== undefined && face.offsetMm !== null;

/** Work and cutter with its edges, the arc they are engaged in, and where it turns and feeds. */
export function CutterFromAbove({
  op,
  context,
  place,
  engagedDeg,
}: {
  op: MillingOperation;
  context: OperationContext;
  place: PlanPlace;
  engagedDeg: number;
}) {
  const { radius: r, side } = place;
  // From 12 o'clock, clockwise: what is engaged lies ahead, up to where teeth leave.
  const leaves = Math.acos(Math.max(-1, -place.wall / r));
  const engaged = arc()({
    innerRadius: 0,
    outerRadius: r,
    startAngle: leaves - (engagedDeg * Math.PI) / 180,
    endAngle: leaves,
  });
  return (
    <>
      <g transform={`scale(1 ${side})`}>
        <Work place={place} slot={op.feature.kind === 'slot'} face={isPlaced(op)} />
        <circle r={r} fill="var(--tool)" fillOpacity="0.86" stroke="var(--accent)" strokeWidth="2" />
        <path d={engaged ?? ''} fill="var(--accent)" opacity="0.24" data-engaged />
      </g>
      {edgesOf(context, r).map((e) => (
        <line key={e.x2} {...e} stroke="var(--accent)" strokeWidth="3" strokeLinecap="round" />
      ))}
      <circle r="2" fill="var(--accent)" />
      <path
        d="M-22 -14 A26 26 0 0 1 10 -24"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="1.4"
        markerEnd="url(#tip)"
      />
      <defs>
        <marker id="tip" viewBox="0 0 8 8" refX="6" refY="4" markerWidth="6" markerHeight="6" orient="auto">
          <path d="M1 1 7 4 1 7" fill="none" stroke="var(--ink)" strokeWidth="1.4" />
        </marker>
      </defs>
      <line x1="10" y1="0" x2={r * 0.62} y2="0" stroke="var(--ink)" strokeWidth="1.6" markerEnd="url(#tip)" />
      <text x={r * 0.2} y={-6} fontSize="calc(12px * var(--text, 1))" fill="var(--ink)">
        feed
      </text>
    </>
  );
}

/** Largest picture of a cutter, in the view's own units across. */
const ACROSS = 150;

/** Where a cut stands in a view `width` by `height` whose cutter has its middle `cx` from the left. */
export function planPlace(
  op: MillingOperation,
  context: OperationContext,
  width: number,
  height: number,
  cx: number,
): PlanPlace {
  const diameter = outerDiameter(context.cutter);
  const scale = ACROSS / diameter;
  const radius = ACROSS / 2;
  const wide = Math.min(op.cut.radialEngagementMm, diameter) * scale;
  // The axis towards the side teeth leave by: the leaving border comes nearer to it.
  const wall = isPlaced(op) ? wide / 2 - (op.face?.offsetMm ?? 0) * scale : radius;
  return {
    scale,
    radius,
    top: wall - wide,
    wall,
    before: cx,
    ahead: width - cx,
    far: height,
    side: op.cut.direction === 'climb' ? 1 : -1,
  };
}
