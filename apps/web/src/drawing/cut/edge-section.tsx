import {
  contactOf,
  type EdgeMillingOperation,
  edgePlaceOf,
  formatMeasure,
  numberOf,
  type OperationContext,
  type OutlinePoint,
  toolOutline,
} from '@burl/core';
import { type CSSProperties, useId } from 'react';
import { useSystem } from '../../frame/preferences.tsx';
import { halo, StockPattern, textScale } from '../drawing.tsx';
import { useWidth } from '../use-width.ts';
import type { DrawingProps } from './drawing-props.ts';

const W = 680;
const H = 262;
const HALF = W / 2;
/** Left of the wall there is at least so much of the part, and it goes so far below a near edge, mm over what is cut. */
const AROUND = 1.6;

/** A window onto the section: units to a millimetre and where the corner of wall and near face lies. */
interface Window {
  readonly scale: number;
  readonly x0: number;
  readonly y0: number;
}

/** Where wall and faces are, mm: the wall at 0, the part to the left, up is towards the spindle. */
interface Sizes {
  readonly thickness: number;
  /** Width on the face and height on the wall of what is taken off. */
  readonly wide: number;
  readonly high: number;
  /** Half the flat of the tip. */
  readonly tip: number;
}

function sizesOf(op: EdgeMillingOperation, context: OperationContext): Sizes {
  const contact = contactOf(op, context);
  const { edge } = op;
  const high = typeof contact === 'string' ? edge.sizeMm : contact.highMm - contact.lowMm;
  const tool = context.cutter.properties.DC ?? 6;
  return {
    thickness: edge.depthMm ?? Math.max(3 * edge.sizeMm, tool),
    wide: edge.form === 'engraving' ? edge.sizeMm / 2 : edge.sizeMm,
    high: edge.form === 'round' ? edge.sizeMm : high,
    tip: Math.min(tool, edge.sizeMm) / 2,
  };
}

/** The part with its edge broken. */
function Part({ op, sizes, at }: { op: EdgeMillingOperation; sizes: Sizes; at: Window }) {
  const { thickness, wide, high, tip } = sizes;
  const x = (mm: number): number => at.x0 + mm * at.scale;
  const y = (mm: number): number => at.y0 - mm * at.scale;
  const left = -2000 / at.scale;
  const r = op.edge.sizeMm * at.scale;
  const floor = op.edge.face === 'near' && op.edge.depthMm !== null && op.edge.form !== 'engraving';
  const body = (() => {
    if (op.edge.form === 'engraving')
      return `M${x(left)} ${y(0)} H${x(-wide)} L${x(-tip)} ${y(-high)} H${x(tip)} L${x(wide)} ${y(0)} H${x(-left)} V${y(-thickness)} H${x(left)} Z`;
    if (op.edge.face === 'far')
      return `M${x(left)} ${y(0)} H${x(0)} V${y(-thickness + high)} L${x(-wide)} ${y(-thickness)} H${x(left)} Z`;
    const corner =
      op.edge.form === 'round'
        ? `H${x(-wide)} A${r} ${r} 0 0 1 ${x(0)} ${y(-wide)}`
        : `H${x(-wide)} L${x(0)} ${y(-high)}`;
    const foot = floor ? `V${y(-thickness)} H${x(-left)} V${y(-thickness) + 400}` : `V${y(-2 * thickness)}`;
    return `M${x(left)} ${y(0)} ${corner} ${foot} H${x(left)} Z`;
  })();
  const gone =
    op.edge.form === 'engraving'
      ? null
      : op.edge.face === 'far'
        ? `M${x(0)} ${y(-thickness + high)} V${y(-thickness)} H${x(-wide)} Z`
        : op.edge.form === 'round'
          ? `M${x(-wide)} ${y(0)} H${x(0)} V${y(-wide)} A${r} ${r} 0 0 0 ${x(-wide)} ${y(0)} Z`
          : `M${x(-wide)} ${y(0)} H${x(0)} V${y(-high)} Z`;
  const opposite = op.edge.face === 'far' ? op.edge.openingMm : null;
  return (
    <g aria-hidden="true">
      <path d={body} fill="url(#stock)" stroke="var(--stock-line)" data-part={op.edge.form} />
      {opposite !== null && (
        <rect
          x={x(opposite)}
          y={y(0)}
          width={2000}
          height={thickness * at.scale}
          fill="url(#stock)"
          stroke="var(--stock-line)"
        />
      )}
      {gone && <path d={gone} fill="var(--accent)" opacity="0.35" />}
    </g>
  );
}

/** The tool as it is shaped, where the program puts it. */
function Tool({ op, context, at }: { op: EdgeMillingOperation; context: OperationContext; at: Window }) {
  const outline = toolOutline(context.cutter);
  if (!outline) return null;
  const { axisOffWallMm, tipZMm } = edgePlaceOf(op, context);
  const point = (q: OutlinePoint, sign: 1 | -1): string =>
    `${at.x0 + (axisOffWallMm + sign * q.radiusMm) * at.scale},${at.y0 - (tipZMm + q.heightMm) * at.scale}`;
  const out = op.tooling.stickOutMm;
  const seen = outline.points.filter((q) => q.heightMm <= out + 1e-6);
  // The shank goes on to the holder.
  const points = [...seen, { heightMm: out, radiusMm: seen.at(-1)!.radiusMm }];
  const path = [...points.map((q) => point(q, -1)), ...points.toReversed().map((q) => point(q, 1))].join(' ');
  const axis = at.x0 + axisOffWallMm * at.scale;
  return (
    <g aria-hidden="true">
      <polygon
        points={path}
        fill="var(--tool)"
        fillOpacity="0.85"
        stroke="var(--accent)"
        strokeWidth="1.6"
        strokeLinejoin="round"
        data-end={context.cutter.type}
      />
      <line x1={axis} x2={axis} y1={0} y2={H} stroke="var(--soft)" strokeDasharray="9 3 2 3" />
    </g>
  );
}

/** An edge and the tool that breaks it in section: tool and wall at the left, the break itself larger at the right. */
export function EdgeSection({ op, context, evaluation }: DrawingProps<EdgeMillingOperation>) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const system = useSystem();
  const id = useId();
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const sizes = sizesOf(op, context);
  const { edge } = op;
  const { axisOffWallMm, tipZMm } = edgePlaceOf(op, context);
  const p = context.cutter.properties;
  const tool = Math.max(p.DC ?? 0, p.DCX ?? 0, 1);
  const far = edge.face === 'far';
  // The whole head is seen at the left: from above the face to below the tip.
  const below = Math.max(-tipZMm, far ? sizes.thickness : 0) + 0.3 * tool;
  const above = far ? 0.4 * sizes.thickness : tool;
  const whole = Math.min((H - 50) / (below + above), (HALF - 30) / (2.4 * tool));
  const left: Window = { scale: whole, x0: HALF * 0.42, y0: 32 + above * whole };
  const span = AROUND * Math.max(sizes.wide, sizes.high, 0.05);
  const close = Math.min(150 / span, 60 / Math.max(sizes.wide, 0.02));
  // At the right the middle of the break stands in the middle, whichever side it is on.
  const middle = far ? sizes.thickness - sizes.high / 2 : sizes.high / 2;
  const right: Window = { scale: close, x0: HALF * 1.5, y0: H / 2 - middle * close };
  const views: readonly (readonly [string, Window, number])[] = [
    [`${id}-whole`, left, 0],
    [`${id}-close`, right, HALF],
  ];
  const text = { fontSize: 'calc(12.5px * var(--text, 1))', fill: 'var(--ink)', ...halo('card') } as const;
  return (
    <div ref={ref}>
      <svg
        viewBox={`0 0 ${W} ${H}`}
        className="h-auto w-full"
        style={{ '--text': textScale(width, W) } as CSSProperties}
        role="group"
        aria-label="Section of the edge"
      >
        <StockPattern />
        {views.map(([key, view, from]) => (
          <g key={key}>
            <clipPath id={key}>
              <rect x={from} y={0} width={HALF} height={H} />
            </clipPath>
            <g clipPath={`url(#${key})`}>
              <Part op={op} sizes={sizes} at={view} />
              <Tool op={op} context={context} at={view} />
            </g>
          </g>
        ))}
        <line x1={HALF} x2={HALF} y1={0} y2={H} stroke="var(--line)" />
        <text x={12} y={20} fontWeight="650" {...text}>
          tip {mm(Math.abs(tipZMm))} {tipZMm <= 0 ? 'below' : 'above'} the near face
        </text>
        {edge.form !== 'engraving' && (
          <text x={12} y={H - 12} {...text}>
            axis {mm(axisOffWallMm)} off the {far ? 'hole’s wall' : 'finished wall'}
          </text>
        )}
        <text x={HALF + 12} y={20} fontWeight="650" {...text}>
          {edge.form === 'round'
            ? `R ${mm(edge.sizeMm)}`
            : edge.form === 'engraving'
              ? `line ${mm(edge.sizeMm)} wide, ${mm(sizes.high)} deep`
              : `${mm(edge.sizeMm)} × ${edge.angleDeg}°`}
        </text>
        <text x={HALF + 12} y={H - 12} {...text}>
          {edge.form === 'engraving'
            ? `tip ${mm(p.DC ?? 0)}`
            : `burr about ${formatMeasure(numberOf(evaluation, 'burr').value, 'mm-fine', system)} left`}
        </text>
      </svg>
    </div>
  );
}
