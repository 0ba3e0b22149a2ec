import { useId } from 'react';
import {
  endOutline,
  type MillingOperation,
  type OperationContext,
  type OutlinePoint,
  outerDiameter,
} from '@burl/core';

/** What stands where in the view from the side, in its own units. */
export interface SidePlace {
  /** Units to a millimetre. */
  readonly scale: number;
  readonly cx: number;
  readonly floor: number;
  readonly noseY: number;
  /** How far off its axis the tip is drawn. */
  readonly bentBy: number;
}

const SEGMENTS = 8;
/** Flutes drawn are this share of those the helix has: more would be a grey. */
const DRAWN_TURNS = 0.9;
/** Height of the holder's cone. */
const CONE = 34;

/** An outline with points no further apart along the axis than a length, mm: a straight flank bends too. */
const inPieces = (points: readonly OutlinePoint[], mostMm: number): OutlinePoint[] =>
  points.flatMap((b, i) => {
    const a = points[i - 1] ?? b;
    const pieces = Math.max(1, Math.ceil((b.heightMm - a.heightMm) / mostMm - 1e-9));
    return Array.from({ length: pieces }, (_, k) => {
      const share = (k + 1) / pieces;
      return {
        heightMm: a.heightMm + share * (b.heightMm - a.heightMm),
        radiusMm: a.radiusMm + share * (b.radiusMm - a.radiusMm),
      };
    });
  });

/** Cutter and shank, bent like a cantilever: off the axis with the square of the way from the nose. */
function Tool({ op, context, place }: { op: MillingOperation; context: OperationContext; place: SidePlace }) {
  const { scale, cx, floor, bentBy } = place;
  const p = context.cutter.properties;
  const diameter = outerDiameter(context.cutter);
  const out = op.tooling.stickOutMm;
  const bend = (fromTip: number): number => -bentBy * ((out - Math.min(out, fromTip)) / out) ** 2;
  const flute = Math.min(out, p.LCF ?? p.APMX ?? out);
  const neck = Math.min(out, Math.max(flute, p.LH ?? p.LU ?? flute));
  const body = (from: number, to: number, d: number): string => {
    const side = (sign: 1 | -1) =>
      Array.from({ length: SEGMENTS + 1 }, (_, i) => {
        const at = from + ((to - from) * (sign < 0 ? i : SEGMENTS - i)) / SEGMENTS;
        return `${cx + bend(at) + (sign * d * scale) / 2} ${floor - at * scale}`;
      });
    return `M${side(-1).join(' L')} L${side(1).join(' L')} Z`;
  };
  /** The cutting end as it is shaped, up one side and down the other. */
  const end = (): string => {
    const points = inPieces(endOutline(context.cutter, flute), flute / SEGMENTS);
    const side = (sign: 1 | -1): string[] =>
      points.map(
        (q) =>
          `${(cx + bend(q.heightMm) + sign * q.radiusMm * scale).toFixed(2)} ${(floor - q.heightMm * scale).toFixed(2)}`,
      );
    return `M${side(-1).join(' L')} L${side(1).toReversed().join(' L')} Z`;
  };
  const clip = useId();
  const shank = p.DCONMS && neck < out ? Math.min(p.DCONMS, diameter) : diameter;
  const helix = Math.tan(((p.FHA ?? 30) * Math.PI) / 180);
  const turns = Math.max(2, Math.round((flute * helix) / (diameter / 2) / DRAWN_TURNS));
  return (
    <g fill="var(--tool)" stroke="var(--accent)">
      <path d={body(neck, out, shank)} />
      {neck > flute && <path d={body(flute, neck, p.DN ?? diameter)} />}
      <path d={end()} strokeWidth="1.8" data-end={context.cutter.type} />
      <clipPath id={clip}>
        <path d={end()} />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        {Array.from({ length: turns }, (_, i) => {
          const [from, to] = [(flute * i) / turns, (flute * (i + 1)) / turns];
          return (
            <line
              key={i}
              x1={cx + bend(from) - (diameter / 2) * scale}
              y1={floor - from * scale}
              x2={cx + bend(to) + (diameter / 2) * scale}
              y2={floor - to * scale}
              strokeWidth="0.9"
              opacity="0.7"
            />
          );
        })}
      </g>
    </g>
  );
}

/** Holder and tool above the floor of the cut. */
export function ToolFromSide(props: { op: MillingOperation; context: OperationContext; place: SidePlace }) {
  const { scale, cx, noseY } = props.place;
  const { holder } = props.context;
  const nose = (holder.nose_diameter_mm / 2) * scale;
  const body = (holder.body_diameter_mm / 2) * scale;
  const shoulder = Math.max(0, noseY - CONE);
  return (
    <>
      <path
        d={`M${cx - nose} ${noseY} L${cx - body} ${shoulder} V0 H${cx + body} V${shoulder} L${cx + nose} ${noseY} Z`}
        fill="var(--holder)"
        stroke="var(--soft)"
      />
      <Tool {...props} />
    </>
  );
}
