import type { ReactNode } from 'react';
import { contourOf, outsideDiameter, type TurningOperation } from '@burl/core';
import { Chuck, GRIPPED, type SectionPlace, Support } from './half-section.tsx';

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

/** Where things stand in the drawing, and the nose of the tool, px. */
export interface TurnedPlace extends SectionPlace {
  readonly tip: { readonly x: number; readonly y: number };
}

/** The part in its chuck: what stays, and what is still to be cut before the tool. */
export function TurnedPart({
  op,
  outline: o,
  place: { x, y, tip },
}: {
  op: TurningOperation;
  outline: TurnedOutline;
  place: TurnedPlace;
}) {
  const { stretch: s } = op;
  if (s.profile) return <ProfiledPart op={op} outline={o} place={{ x, y }} />;
  const bore = s.boreMm / 2;
  const stays =
    s.way === 'inside'
      ? `M${GRIPPED} ${y(o.outer)} H${x(o.to)} V${y(o.after)} H${x(o.from)} V${y(o.before)} H${GRIPPED} Z`
      : s.way === 'face'
        ? `M${GRIPPED} ${y(o.outer)} H${x(o.from)} V${y(o.after)} H${x(o.after > bore ? o.to : o.from)} V${y(bore)} H${GRIPPED} Z`
        : `M${GRIPPED} ${y(o.before)} H${x(o.from)} V${y(o.after)} H${x(o.to)} V${y(bore)} H${GRIPPED} Z`;
  const top = Math.min(y(o.before), y(o.after));
  const high = Math.abs(y(o.before) - y(o.after));
  const face = s.way === 'face';
  return (
    <InChuck
      op={op}
      outline={o}
      place={{ x, y }}
      stays={stays}
      steadyRadius={Math.max(o.after, face || s.way === 'inside' ? o.outer : 0)}
      stood={{
        x: face ? x(o.from) : tip.x,
        y: top,
        width: x(o.to) - (face ? x(o.from) : tip.x),
        height: face ? tip.y - top : high,
      }}
    >
      <rect
        x={x(o.from)}
        y={face ? tip.y : top}
        width={Math.max(1, (face ? x(o.to) : tip.x) - x(o.from))}
        height={face ? Math.max(0, y(o.after) - tip.y) : high}
        fill="url(#stock)"
        stroke="var(--stock-line)"
      />
    </InChuck>
  );
}

/** A part in its chuck: what stays, dashed what stood there, and what holds its free end. */
function InChuck({
  op: { stretch: s },
  outline: o,
  place: { x, y },
  stays,
  stood,
  steadyRadius,
  children,
}: {
  op: TurningOperation;
  outline: TurnedOutline;
  place: Pick<TurnedPlace, 'x' | 'y'>;
  /** Outline of what stays. */
  stays: string;
  /** Where metal stood that is gone, px. */
  stood: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
  /** Radius a steady's roller touches, mm. */
  steadyRadius: number;
  children?: ReactNode;
}) {
  return (
    <g aria-hidden="true">
      <Chuck top={y(o.outer)} />
      <path d={stays} fill="url(#stock)" stroke="var(--stock-line)" />
      {children}
      <rect
        x={stood.x}
        y={stood.y}
        width={Math.max(1, stood.width)}
        height={Math.max(0, stood.height)}
        fill="none"
        stroke="var(--stock-line)"
        strokeDasharray="4 3"
      />
      <Support
        support={s.support}
        end={x(o.to)}
        steady={{ x: x((o.from + o.to) / 2) + 34, y: y(steadyRadius) }}
      />
    </g>
  );
}

/** A part with steps, cones and arcs: what stays, and dashed what stood there. */
function ProfiledPart({
  op,
  outline: o,
  place: { x, y },
}: {
  op: TurningOperation;
  outline: TurnedOutline;
  place: Pick<TurnedPlace, 'x' | 'y'>;
}) {
  const { stretch: s } = op;
  const inside = s.way === 'inside';
  const contour = contourOf(s.profile!, inside)
    .toReversed()
    .map((p) => `L${x(o.to - p.z).toFixed(2)} ${y(p.r).toFixed(2)}`)
    .join(' ');
  const stays = inside
    ? `M${GRIPPED} ${y(o.outer)} V${y(o.before)} H${x(o.from)} ${contour} V${y(o.outer)} Z`
    : `M${GRIPPED} ${y(o.before)} H${x(o.from)} ${contour} V${y(s.boreMm / 2)} H${GRIPPED} Z`;
  const [top, foot] = inside ? [y(o.after), y(o.before)] : [y(o.before), y(o.after)];
  return (
    <InChuck
      op={op}
      outline={o}
      place={{ x, y }}
      stays={stays}
      steadyRadius={inside ? o.outer : o.after}
      stood={{ x: x(o.from), y: top, width: x(o.to) - x(o.from), height: foot - top }}
    />
  );
}
