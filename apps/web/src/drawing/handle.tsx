import { formatMeasure, type Unit } from '@burl/core';
import { useDrag } from '@use-gesture/react';
import { useRef } from 'react';
import { useSystem } from '../frame/preferences.tsx';

/**
 * Something to take hold of in a drawing: drags along one axis of the drawing and moves by arrow keys.
 * `perUnit` is how much the value grows for one drawing unit along +x or +y.
 */
export function Handle({
  x,
  y,
  axis,
  label,
  value,
  unit,
  low,
  high,
  step,
  perUnit,
  disabled,
  onMove,
}: {
  x: number;
  y: number;
  axis: 'x' | 'y';
  label: string;
  value: number;
  unit: Unit;
  low: number;
  high: number;
  step: number;
  perUnit: number;
  disabled: boolean;
  onMove: (value: number) => void;
}) {
  const system = useSystem();
  const element = useRef<SVGGElement>(null);
  const clamp = (v: number): number => Math.min(high, Math.max(low, v));
  const snap = (v: number): number => Number((Math.round(clamp(v) / step) * step).toFixed(4));
  const bind = useDrag(
    ({ movement: [mx, my], memo, first, event }) => {
      event.stopPropagation();
      if (disabled) return memo as unknown;
      const start = first || memo === undefined ? value : (memo as number);
      const matrix = element.current?.ownerSVGElement?.getScreenCTM();
      const scale = matrix ? Math.hypot(matrix.a, matrix.b) : 1;
      const moved = (axis === 'x' ? mx : my) / scale;
      const next = snap(start + moved * perUnit);
      if (next !== value) onMove(next);
      return start;
    },
    { pointer: { keys: false }, filterTaps: true },
  );
  return (
    <g
      ref={element}
      {...bind()}
      transform={`translate(${x} ${y})`}
      role="slider"
      tabIndex={disabled ? -1 : 0}
      aria-label={label}
      aria-valuenow={Number(value.toFixed(4))}
      aria-valuemin={low}
      aria-valuemax={high}
      aria-valuetext={formatMeasure(value, unit, system)}
      aria-disabled={disabled}
      aria-orientation={axis === 'x' ? 'horizontal' : 'vertical'}
      className={`touch-none outline-none [&:focus-visible>.ring]:opacity-100 ${disabled ? '' : 'cursor-grab active:cursor-grabbing'}`}
      onKeyDown={(e) => {
        if (disabled) return;
        const sign =
          e.key === 'ArrowUp' || e.key === 'ArrowRight'
            ? 1
            : e.key === 'ArrowDown' || e.key === 'ArrowLeft'
              ? -1
              : 0;
        const next =
          e.key === 'Home'
            ? low
            : e.key === 'End'
              ? high
              : sign === 0
                ? null
                : snap(value + sign * step * (e.shiftKey ? 10 : 1));
        if (next === null) return;
        e.preventDefault();
        if (next !== value) onMove(clamp(next));
      }}
    >
      <circle r="20" fill="transparent" />
      <circle
        className="ring opacity-0"
        r="12"
        fill="none"
        stroke="var(--accent)"
        strokeWidth="2"
        strokeDasharray="3 2"
      />
      <circle r="7" fill="var(--raised)" stroke="var(--accent)" strokeWidth="2.5" />
      {!disabled && (
        <path
          d={
            axis === 'x'
              ? 'M-3 0h6M-3 0l2-2M-3 0l2 2M3 0l-2-2M3 0l-2 2'
              : 'M0-3v6M0-3l-2 2M0-3l2 2M0 3l-2-2M0 3l2-2'
          }
          stroke="var(--accent)"
          strokeWidth="1.2"
          fill="none"
        />
      )}
    </g>
  );
}
