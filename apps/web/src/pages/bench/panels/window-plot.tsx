import { formatNumber, type LimitMap, UNITS } from '@burl/core';
import { type ScaleLogarithmic, scaleLog } from 'd3-scale';
import { type CSSProperties, useMemo, useRef } from 'react';
import { halo, textScale } from '../../../drawing/drawing.tsx';
import { useWidth } from '../../../drawing/use-width.ts';
import { useSystem } from '../../../frame/preferences.tsx';
import { FORBIDDEN, LimitPattern, lookOf } from './limit-pattern.tsx';
import { bordersOf, forbiddenArea, H, levelsOf, M, nearestLimit, spread, W } from './window-borders.ts';
import { WorkingPoint } from './working-point.tsx';

/** Powers of two that mark an axis about `n` times; its ends where there is not one. */
function ticksOf({ low, high }: LimitMap<string>['x'], n: number): number[] {
  const step = Math.max(1, Math.round(Math.log2(high / low) / n));
  const list: number[] = [];
  for (let e = Math.ceil(Math.log2(low)); 2 ** e <= high * 1.001; e += step) list.push(2 ** e);
  return list.length > 1 ? list : [low, high];
}

/** Marks and names of both axes. */
function Axes({
  map,
  x,
  y,
}: {
  map: LimitMap<string>;
  x: ScaleLogarithmic<number, number>;
  y: ScaleLogarithmic<number, number>;
}) {
  const system = useSystem();
  const named = ({ name, unit }: LimitMap<string>['x']): string => `${name}, ${UNITS[unit][system].label}`;
  return (
    <g fill="var(--soft)" fontSize="calc(12.5px * var(--text, 1))">
      <g fill="var(--ink)" fontSize="calc(12px * var(--text, 1))">
        {ticksOf(map.x, 6).map((t) => (
          <text key={t} x={x(t)} y={H - M.bottom + 15} textAnchor={x(t) > W - 30 ? 'end' : 'middle'}>
            {formatNumber(t, map.x.unit, system)}
          </text>
        ))}
        {/* At the foot the marks of the other axis stand. */}
        {ticksOf(map.y, 5)
          .filter((t) => y(t) < H - M.bottom - 8)
          .map((t) => (
            <text key={t} x={M.left - 5} y={y(t) + 4} textAnchor="end">
              {formatNumber(t, map.y.unit, system)}
            </text>
          ))}
      </g>
      <text x={(W + M.left) / 2} y={H - 4} textAnchor="middle">
        {named(map.x)}
      </text>
      <text transform={`translate(13 ${H / 2 - 10}) rotate(-90)`} textAnchor="middle">
        {named(map.y)}
      </text>
    </g>
  );
}

/** The map drawn: forbidden ground hatched once, borders that bound it named, the working point to take hold of. */
export function WindowPlot({
  map,
  here,
  disabled,
  onMove,
}: {
  map: LimitMap<string>;
  here: { readonly x: number; readonly y: number };
  disabled: boolean;
  onMove: (x: number, y: number) => void;
}) {
  const plot = useRef<SVGSVGElement>(null);
  const [frame, width] = useWidth<HTMLDivElement>();
  const borders = useMemo(() => bordersOf(map), [map]);
  const levels = useMemo(() => levelsOf(map), [map]);
  const forbidden = useMemo(() => forbiddenArea(map), [map]);
  const text = textScale(width, W);
  const labels = useMemo(
    () =>
      spread(
        borders.filter((b) => b.bounds),
        text,
      ),
    [borders, text],
  );
  const nearest = useMemo(() => nearestLimit(map), [map]);
  const x = useMemo(() => scaleLog([map.x.low, map.x.high], [M.left, W - M.right]), [map]);
  const y = useMemo(() => scaleLog([map.y.low, map.y.high], [H - M.bottom, M.top]), [map]);
  const bounding = labels.map((l) => l.border.name).join(', ') || 'its own range';
  const nowhere = nearest && `No setting here clears every limit; closest limit ${nearest}`;
  const area = { x: M.left, y: M.top, width: W - M.left - M.right, height: H - M.top - M.bottom };
  return (
    <div ref={frame} className="h-full" style={{ '--text': text } as CSSProperties}>
      <svg
        ref={plot}
        viewBox={`0 0 ${W} ${H}`}
        role="group"
        aria-label={`Map of ${map.x.name} and ${map.y.name}; ${nowhere ?? `bounded by ${bounding}`}`}
        className="h-auto max-h-full w-full min-w-[420px] max-[520px]:min-w-0"
      >
        <defs>
          <LimitPattern id="forbidden" look={FORBIDDEN} />
          <clipPath id="plot">
            <rect {...area} />
          </clipPath>
        </defs>
        <rect {...area} fill="var(--raised)" stroke="var(--line)" />
        <g clipPath="url(#plot)">
          {levels.map((d, i) => (
            <path key={i} d={d} fill="none" stroke="var(--soft)" strokeWidth="0.8" strokeDasharray="1 4" />
          ))}
          <path d={forbidden} fill="url(#forbidden)" stroke="none" />
          {borders
            .filter((b) => b.bounds)
            .map((b, i) => (
              <path key={b.id} d={b.area} fill="none" stroke={lookOf(i).colour} strokeWidth="2.2" />
            ))}
          <path d={forbidden} fill="none" stroke="var(--ink)" strokeWidth="1.2" />
        </g>
        {labels.map(({ border, x: lx, y: ly }) => (
          <text
            key={border.id}
            x={lx}
            y={ly}
            fontSize="calc(12.5px * var(--text, 1))"
            fontWeight="650"
            fill="var(--ink)"
            {...halo('card')}
          >
            {border.name}
          </text>
        ))}
        {nowhere && (
          <text
            x={(W + M.left) / 2}
            y={H / 2 - 10}
            fontSize="calc(14px * var(--text, 1))"
            fontWeight="650"
            textAnchor="middle"
            fill="var(--over)"
            {...halo('card')}
          >
            {nowhere}
          </text>
        )}
        <Axes map={map} x={x} y={y} />
        <WorkingPoint plot={plot} map={map} x={x} y={y} here={here} disabled={disabled} onMove={onMove} />
      </svg>
    </div>
  );
}
