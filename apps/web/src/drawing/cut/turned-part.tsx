import { outsideDiameter, type TurningOperation } from '@burl/core';

/** What of the part a bar, a bore or a face is, in mm along and from the axis. */
export interface TurnedOutline {
  readonly outer: number;
  /** Radius before the cut and after. */
  readonly before: number;
  readonly after: number;
  readonly from: number;
  readonly to: number;
}

export function outlineOf({ stretch: s }: TurningOperation): TurnedOutline {
  const to = s.overhangMm;
  const from = to - s.lengthMm;
  return { outer: outsideDiameter(s) / 2, before: s.startMm / 2, after: s.endMm / 2, from, to };
}

/** Where things stand in the drawing, px. */
export interface TurnedPlace {
  readonly axis: number;
  readonly jaws: number;
  readonly x: (along: number) => number;
  readonly y: (radius: number) => number;
  readonly tip: { readonly x: number; readonly y: number };
}

/** The part in its chuck: what stays, and what is still to be cut before the tool. */
export function TurnedPart({
  op,
  outline: o,
  place: { axis, jaws, x, y, tip },
}: {
  op: TurningOperation;
  outline: TurnedOutline;
  place: TurnedPlace;
}) {
  const { stretch: s } = op;
  const bore = s.boreMm / 2;
  const gripped = jaws - 34;
  const stays =
    s.way === 'inside'
      ? `M${gripped} ${y(o.outer)} H${x(o.to)} V${y(o.after)} H${x(o.from)} V${y(o.before)} H${gripped} Z`
      : s.way === 'face'
        ? `M${gripped} ${y(o.outer)} H${x(o.from)} V${y(o.after)} H${x(o.after > bore ? o.to : o.from)} V${y(bore)} H${gripped} Z`
        : `M${gripped} ${y(o.before)} H${x(o.from)} V${y(o.after)} H${x(o.to)} V${y(bore)} H${gripped} Z`;
  const top = Math.min(y(o.before), y(o.after));
  const high = Math.abs(y(o.before) - y(o.after));
  const face = s.way === 'face';
  return (
    <g aria-hidden="true">
      <rect
        x={4}
        y={y(o.outer) - 34}
        width={54}
        height={axis - y(o.outer) + 34}
        fill="var(--holder)"
        stroke="var(--soft)"
      />
      <rect
        x={58}
        y={y(o.outer) - 24}
        width={jaws - 58}
        height={24}
        fill="var(--holder)"
        stroke="var(--soft)"
      />
      <path d={stays} fill="url(#stock)" stroke="var(--stock-line)" />
      <rect
        x={x(o.from)}
        y={face ? tip.y : top}
        width={Math.max(1, (face ? x(o.to) : tip.x) - x(o.from))}
        height={face ? Math.max(0, y(o.after) - tip.y) : high}
        fill="url(#stock)"
        stroke="var(--stock-line)"
      />
      <rect
        x={face ? x(o.from) : tip.x}
        y={top}
        width={Math.max(1, x(o.to) - (face ? x(o.from) : tip.x))}
        height={face ? Math.max(0, tip.y - top) : high}
        fill="none"
        stroke="var(--stock-line)"
        strokeDasharray="4 3"
      />
      {s.support === 'tailstock' && (
        <path
          d={`M${x(o.to) - 4} ${axis} l34 -14 h40 v28 h-40 Z`}
          fill="var(--holder)"
          stroke="var(--soft)"
        />
      )}
      {s.support === 'steady' && (
        <circle
          cx={x((o.from + o.to) / 2) + 34}
          cy={y(Math.max(o.after, face || s.way === 'inside' ? o.outer : 0)) - 9}
          r={9}
          fill="var(--holder)"
          stroke="var(--soft)"
        />
      )}
    </g>
  );
}
