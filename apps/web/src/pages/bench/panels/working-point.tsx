import { formatMeasure, type LimitMap } from '@burl/core';
import { useDrag } from '@use-gesture/react';
import type { ScaleLogarithmic } from 'd3-scale';
import type { RefObject } from 'react';
import { useSystem } from '../../../frame/preferences.tsx';
import { H, M, W } from './window-borders.ts';

/** Ratio of one press of an arrow, and with Shift. */
const FINE = 1.05;
const COARSE = 1.25;

/** Factors of an arrow key on both axes; null for any other key. */
function arrow(key: string, times: number): readonly [number, number] | null {
  switch (key) {
    case 'ArrowRight':
      return [times, 1];
    case 'ArrowLeft':
      return [1 / times, 1];
    case 'ArrowUp':
      return [1, times];
    case 'ArrowDown':
      return [1, 1 / times];
    default:
      return null;
  }
}

type Scale = ScaleLogarithmic<number, number>;

/** The cut on the map, to be dragged or moved by arrows; values are those a person would enter. */
export function WorkingPoint({
  plot,
  map,
  x,
  y,
  here,
  disabled,
  onMove,
}: {
  plot: RefObject<SVGSVGElement | null>;
  map: LimitMap<string>;
  x: Scale;
  y: Scale;
  here: { readonly x: number; readonly y: number };
  disabled: boolean;
  onMove: (x: number, y: number) => void;
}) {
  const system = useSystem();
  const tidy = (f: LimitMap<string>['x'], v: number): number =>
    Number((Math.round(Math.min(f.high, Math.max(f.low, v)) / f.step) * f.step).toFixed(5));
  const bind = useDrag(
    ({ xy: [cx, cy], event }) => {
      event.stopPropagation();
      const matrix = disabled ? null : plot.current?.getScreenCTM()?.inverse();
      if (!matrix) return;
      const point = new DOMPoint(cx, cy).matrixTransform(matrix);
      onMove(tidy(map.x, x.invert(point.x)), tidy(map.y, y.invert(point.y)));
    },
    { pointer: { keys: false }, filterTaps: true },
  );
  const px = Math.min(W - M.right, Math.max(M.left, x(here.x)));
  const py = Math.min(H - M.bottom, Math.max(M.top, y(here.y)));
  const said = (f: LimitMap<string>['x'], v: number): string =>
    `${f.name} ${formatMeasure(v, f.unit, system)}`;
  return (
    <g
      {...bind()}
      transform={`translate(${px} ${py})`}
      role="slider"
      tabIndex={disabled ? -1 : 0}
      aria-label="Working point"
      aria-valuemin={map.x.low}
      aria-valuemax={map.x.high}
      aria-valuenow={here.x}
      aria-valuetext={`${said(map.x, here.x)}, ${said(map.y, here.y)}`}
      aria-disabled={disabled}
      className={`touch-none outline-none [&:focus-visible>.ring]:opacity-100 ${disabled ? '' : 'cursor-grab active:cursor-grabbing'}`}
      onKeyDown={(e) => {
        const by = disabled ? null : arrow(e.key, e.shiftKey ? COARSE : FINE);
        if (!by) return;
        e.preventDefault();
        onMove(tidy(map.x, here.x * by[0]), tidy(map.y, here.y * by[1]));
      }}
    >
      <circle r="17" fill="transparent" />
      <circle
        className="ring opacity-0"
        r="13"
        fill="none"
        stroke="var(--accent)"
        strokeWidth="2"
        strokeDasharray="3 2"
      />
      <circle r="8" fill="var(--raised)" stroke="var(--accent)" strokeWidth="3" />
      <path d="M-12 0H-4M4 0H12M0 -12V-4M0 4V12" stroke="var(--accent)" strokeWidth="1.6" />
    </g>
  );
}
