import { formatMeasure, movableOf, type Operation, type PartSupport } from '@burl/core';
import type { CSSProperties, ReactNode, Ref } from 'react';
import { useSystem } from '../../frame/preferences.tsx';
import { halo, StockPattern, textScale } from '../drawing.tsx';
import { MovableHandle } from '../movable-handle.tsx';
import type { DrawingProps } from './drawing-props.ts';

/** Size of the picture, the axis of the part, the face of the jaws, and the room left for the part, px. */
export const SECTION = { width: 680, height: 270, axis: 226, jaws: 92, long: 400, high: 130 } as const;
/** Where the overhang is measured. */
const FOOT = SECTION.height - 16;
/** Where the part goes into the jaws. */
export const GRIPPED = SECTION.jaws - 34;

/** Where things stand in the drawing, px. */
export interface SectionPlace {
  readonly scale: number;
  readonly x: (along: number) => number;
  readonly y: (radius: number) => number;
}

/** Scale and place of a part that stands out so far and is so thick, mm. */
export function sectionPlace(overhangMm: number, outerRadiusMm: number): SectionPlace {
  const scale = Math.min(SECTION.long / Math.max(1, overhangMm), SECTION.high / outerRadiusMm);
  return {
    scale,
    x: (along) => SECTION.jaws + along * scale,
    y: (radius) => SECTION.axis - radius * scale,
  };
}

/** The sheet of a half-section: pattern, axis, and what is drawn on it. */
export function HalfSection({
  refOf,
  width,
  label,
  children,
}: {
  refOf: Ref<HTMLDivElement>;
  width: number | null;
  label: string;
  children: ReactNode;
}) {
  return (
    <div ref={refOf}>
      <svg
        viewBox={`0 0 ${SECTION.width} ${SECTION.height}`}
        className="h-auto w-full"
        style={{ '--text': textScale(width, SECTION.width) } as CSSProperties}
        role="group"
        aria-label={label}
      >
        <StockPattern />
        <clipPath id="half">
          <rect x={0} y={0} width={SECTION.width} height={SECTION.axis} />
        </clipPath>
        {children}
      </svg>
    </div>
  );
}

export const Axis = () => (
  <line
    x1={0}
    x2={SECTION.width}
    y1={SECTION.axis}
    y2={SECTION.axis}
    stroke="var(--soft)"
    strokeDasharray="14 4 3 4"
  />
);

/** The chuck and the jaw that holds the part; `top` is where the part's outside is drawn, px. */
export const Chuck = ({ top }: { top: number }) => (
  <>
    <rect
      x={4}
      y={top - 34}
      width={54}
      height={SECTION.axis - top + 34}
      fill="var(--holder)"
      stroke="var(--soft)"
    />
    <rect
      x={58}
      y={top - 24}
      width={SECTION.jaws - 58}
      height={24}
      fill="var(--holder)"
      stroke="var(--soft)"
    />
  </>
);

/** What holds the free end: a centre in it, or a roller of a steady over the part. */
export const Support = ({
  support,
  end,
  steady,
}: {
  support: PartSupport;
  /** The free end, px. */
  end: number;
  /** Where a steady's roller touches, px. */
  steady: { readonly x: number; readonly y: number };
}) =>
  support === 'tailstock' ? (
    <path
      d={`M${end - 4} ${SECTION.axis} l34 -14 h40 v28 h-40 Z`}
      fill="var(--holder)"
      stroke="var(--soft)"
    />
  ) : support === 'steady' ? (
    <circle cx={steady.x} cy={steady.y - 9} r={9} fill="var(--holder)" stroke="var(--soft)" />
  ) : null;

/** How far the part stands out, measured below it and taken hold of at its end. */
export function Overhang<O extends Operation>({
  op,
  context,
  overhangMm,
  place,
  readOnly,
  onChange,
}: Pick<DrawingProps<O>, 'op' | 'context' | 'readOnly' | 'onChange'> & {
  overhangMm: number;
  place: SectionPlace;
}) {
  const system = useSystem();
  const end = place.x(overhangMm);
  const overhang = movableOf(op, context, 'overhang');
  return (
    <>
      <g fill="var(--ink)" fontSize="calc(13.5px * var(--text, 1))" fontWeight="650">
        <line x1={SECTION.jaws} x2={end} y1={FOOT} y2={FOOT} stroke="var(--ink)" />
        <text x={(SECTION.jaws + end) / 2} y={FOOT - 5} textAnchor="middle" {...halo('card')}>
          {formatMeasure(overhangMm, 'mm', system)} out of the jaws
        </text>
      </g>
      <MovableHandle
        movable={overhang}
        op={op}
        x={end}
        y={FOOT}
        axis="x"
        perUnit={1 / place.scale}
        disabled={readOnly}
        onMove={(v) => onChange(overhang.write(op, v), 'overhang')}
      />
    </>
  );
}

/** Where a part of the picture stands again, larger: on the side where the tool is not. */
export const detailAt = (tipX: number, width: number): number =>
  tipX > 0.62 * SECTION.width ? 210 : SECTION.width - width - 8;

/** A part of the picture again, larger: a frame with its own ground. */
export const Detail = ({
  x,
  y,
  width,
  height,
  title,
  children,
}: {
  x: number;
  y: number;
  width: number;
  height: number;
  title: string;
  children: ReactNode;
}) => (
  <g>
    <rect x={x} y={y} width={width} height={height} rx={6} fill="var(--card)" stroke="var(--line)" />
    <text x={x + 8} y={y + 16} fontSize="calc(12px * var(--text, 1))" fontWeight="650" fill="var(--soft)">
      {title}
    </text>
    {children}
  </g>
);
