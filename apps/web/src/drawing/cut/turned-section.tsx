import { formatMeasure, movableOf, numberOf, type TurningOperation } from '@burl/core';
import type { CSSProperties } from 'react';
import { useSystem } from '../../frame/preferences.tsx';
import { halo, StockPattern, textScale } from '../drawing.tsx';
import { MovableHandle } from '../movable-handle.tsx';
import { useWidth } from '../use-width.ts';
import type { DrawingProps } from './drawing-props.ts';
import { TurnedTool } from './turned-tool.tsx';

const W = 680;
const H = 270;
/** The axis of the part, the face of the jaws, and the room left for the part. */
const AXIS = 226;
const JAWS = 92;
const LONG = 400;
const HIGH = 130;

/** What of the part a bar, a bore or a face is, in mm along and from the axis. */
interface Outline {
  readonly outer: number;
  /** Radius behind the cut, of the cut before and after. */
  readonly before: number;
  readonly after: number;
  readonly from: number;
  readonly to: number;
}

function outlineOf({ stretch: s }: TurningOperation): Outline {
  const to = s.overhangMm;
  if (s.way === 'face')
    return { outer: s.startMm / 2, before: s.startMm / 2, after: s.endMm / 2, from: to - s.lengthMm, to };
  const outer = s.way === 'inside' ? 0.7 * s.endMm : s.startMm / 2;
  return { outer, before: s.startMm / 2, after: s.endMm / 2, from: to - s.lengthMm, to };
}

/** Half-section of the turned part with chuck, support, tool and what is cut, to scale; its numbers can be taken hold of. */
export function TurnedSection({
  op,
  context,
  evaluation,
  readOnly,
  onParameter,
  onChange,
}: DrawingProps<TurningOperation>) {
  const system = useSystem();
  const [ref, width] = useWidth<HTMLDivElement>();
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const { stretch: s } = op;
  const o = outlineOf(op);
  const scale = Math.min(LONG / Math.max(1, o.to), HIGH / o.outer);
  const x = (along: number): number => JAWS + along * scale;
  const y = (radius: number): number => AXIS - radius * scale;
  const depth = numberOf(evaluation, 'ap').value;
  const inside = s.way === 'inside';
  const bore = s.boreMm / 2;
  // The tool stands in the middle of its way, in the deepest pass.
  const tip =
    s.way === 'face'
      ? { x: x(o.to - Math.min(depth, s.lengthMm)), y: y((o.outer + o.after) / 2) }
      : { x: x(o.from + 0.55 * (o.to - o.from)), y: y(o.after) };
  const overhang = movableOf(op, context, 'overhang');
  const ap = movableOf(op, context, 'ap');
  const lean = evaluation.limits.find((l) => l.id === 'turned-size' || l.id === 'part-chatter');
  const big = s.way === 'face' || inside ? o.outer : o.before;
  return (
    <div ref={ref}>
      <svg
        viewBox={`0 0 ${W} ${H}`}
        className="h-auto w-full"
        style={{ '--text': textScale(width, W) } as CSSProperties}
        role="group"
        aria-label="Half-section of the turned part"
      >
        <StockPattern />
        {/* Chuck and one of its jaws. */}
        <rect
          x={4}
          y={y(big) - 34}
          width={54}
          height={AXIS - y(big) + 34}
          fill="var(--holder)"
          stroke="var(--soft)"
        />
        <rect
          x={58}
          y={y(big) - 24}
          width={JAWS - 58}
          height={24}
          fill="var(--holder)"
          stroke="var(--soft)"
        />
        {/* What stays. */}
        <path
          d={
            inside
              ? `M${JAWS - 34} ${y(o.outer)} H${x(o.to)} V${y(o.after)} H${x(o.from)} V${y(o.before)} H${JAWS - 34} Z`
              : s.way === 'face'
                ? `M${JAWS - 34} ${y(o.outer)} H${x(o.from)} V${y(o.after)} H${x(o.after > bore ? o.to : o.from)} V${y(bore)} H${JAWS - 34} Z`
                : `M${JAWS - 34} ${y(o.before)} H${x(o.from)} V${y(o.after)} H${x(o.to)} V${y(bore)} H${JAWS - 34} Z`
          }
          fill="url(#stock)"
          stroke="var(--stock-line)"
        />
        {/* What is cut away: behind the tool it is gone. */}
        {s.way === 'face' ? (
          <rect
            x={x(o.from)}
            y={y(o.outer)}
            width={Math.max(1, x(o.to) - x(o.from))}
            height={Math.max(0, tip.y - y(o.outer))}
            fill="none"
            stroke="var(--stock-line)"
            strokeDasharray="4 3"
          />
        ) : (
          <>
            <rect
              x={x(o.from)}
              y={Math.min(y(o.before), y(o.after))}
              width={Math.max(0, tip.x - x(o.from))}
              height={Math.abs(y(o.before) - y(o.after))}
              fill="url(#stock)"
              stroke="var(--stock-line)"
            />
            <rect
              x={tip.x}
              y={Math.min(y(o.before), y(o.after))}
              width={Math.max(0, x(o.to) - tip.x)}
              height={Math.abs(y(o.before) - y(o.after))}
              fill="none"
              stroke="var(--stock-line)"
              strokeDasharray="4 3"
            />
          </>
        )}
        <TurnedTool op={op} context={context} tip={tip} scale={scale} />
        {s.support === 'tailstock' && (
          <path
            d={`M${x(o.to) - 4} ${AXIS} l34 -14 h40 v28 h-40 Z`}
            fill="var(--holder)"
            stroke="var(--soft)"
            aria-label="tailstock"
          />
        )}
        {s.support === 'steady' && (
          <circle
            cx={x(o.to - s.lengthMm / 2) + 30}
            cy={y(Math.min(o.before, o.outer)) - 9}
            r={9}
            fill="var(--holder)"
            stroke="var(--soft)"
          />
        )}
        <line x1={0} x2={W} y1={AXIS} y2={AXIS} stroke="var(--soft)" strokeDasharray="14 4 3 4" />
        <g fill="var(--ink)" fontSize="calc(13.5px * var(--text, 1))" fontWeight="650">
          <text x={x(o.from) + 6} y={AXIS - 10} {...halo('stock')}>
            ⌀ {mm(s.startMm)} → {mm(s.endMm)}
          </text>
          <text x={Math.min(W - 200, x(o.to) + 16)} y={AXIS - 34} {...halo('card')}>
            ap {formatMeasure(depth, 'mm', system)}
            <tspan x={Math.min(W - 200, x(o.to) + 16)} dy="1.3em" fontWeight="400" fill="var(--soft)">
              {numberOf(evaluation, 'passes').value.toFixed(0)}{' '}
              {numberOf(evaluation, 'passes').value === 1 ? 'pass' : 'passes'}
            </tspan>
          </text>
          <line x1={JAWS} x2={x(o.to)} y1={H - 16} y2={H - 16} stroke="var(--ink)" />
          <text x={(JAWS + x(o.to)) / 2} y={H - 20} textAnchor="middle" {...halo('card')}>
            {mm(s.overhangMm)} out of the jaws
          </text>
        </g>
        <text
          x={W - 8}
          y={20}
          textAnchor="end"
          fontSize="calc(12.5px * var(--text, 1))"
          fontWeight="650"
          fill={`var(--${lean?.state ?? 'ink'})`}
          {...halo('card')}
        >
          part gives way {formatMeasure(numberOf(evaluation, 'lean').value, 'mm-deflection', system)}
        </text>
        <MovableHandle
          movable={overhang}
          op={op}
          x={x(o.to)}
          y={H - 16}
          axis="x"
          perUnit={1 / scale}
          disabled={readOnly}
          onMove={(v) => onChange(overhang.write(op, v), 'overhang')}
        />
        <MovableHandle
          movable={ap}
          op={op}
          x={Math.min(W - 24, x(o.to) + 8)}
          y={y(s.way === 'face' ? (o.outer + o.after) / 2 : o.after)}
          axis="y"
          perUnit={(inside ? 1 : -1) / scale}
          disabled={readOnly}
          onMove={(v) => onParameter('ap', v)}
        />
      </svg>
    </div>
  );
}
