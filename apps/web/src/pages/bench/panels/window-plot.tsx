import { formatMeasure, type LimitMap, UNITS } from '@burl/core';
import { useDrag } from '@use-gesture/react';
import { contours } from 'd3-contour';
import { geoPath } from 'd3-geo';
import { scaleLog } from 'd3-scale';
import { useMemo, useRef } from 'react';
import { useSystem } from '../../../frame/preferences.tsx';
import { halo } from '../../../drawing/drawing.tsx';

const W = 600;
const H = 290;
const M = { left: 54, right: 10, top: 10, bottom: 38 };

/** A limit told apart by pattern and colour: hatching turned, dots, crosses. */
const LOOKS = [
  { colour: 'var(--series-2)', turn: 45, kind: 'line' },
  { colour: 'var(--series-3)', turn: -45, kind: 'line' },
  { colour: 'var(--series-5)', turn: 0, kind: 'dot' },
  { colour: 'var(--series-4)', turn: 90, kind: 'line' },
  { colour: 'var(--series-6)', turn: 0, kind: 'line' },
  { colour: 'var(--unproven)', turn: 0, kind: 'cross' },
  { colour: 'var(--series-1)', turn: 20, kind: 'line' },
  { colour: 'var(--over)', turn: 45, kind: 'dot' },
] as const;

function Pattern({ id, look }: { id: string; look: (typeof LOOKS)[number] }) {
  return (
    <pattern
      id={id}
      width="9"
      height="9"
      patternUnits="userSpaceOnUse"
      patternTransform={`rotate(${look.turn})`}
    >
      <rect width="9" height="9" fill={look.colour} opacity="0.12" />
      {look.kind === 'line' && <path d="M0 0V9" stroke={look.colour} strokeWidth="1.3" />}
      {look.kind === 'dot' && <circle cx="4.5" cy="4.5" r="1.3" fill={look.colour} />}
      {look.kind === 'cross' && <path d="M2 4.5H7M4.5 2V7" stroke={look.colour} strokeWidth="1.1" />}
    </pattern>
  );
}

interface Border {
  readonly id: string;
  readonly name: string;
  readonly area: string;
  readonly line: string;
  readonly label: readonly [number, number] | null;
  readonly bounds: boolean;
}

/** Height drawn where a limit is far beyond what it allows. */
const CLIFF = 4;

/** Borders of all limits on the grid of the map, in the plot's own units. */
function bordersOf(map: LimitMap): Border[] {
  const { columns, rows } = map;
  const sx = (W - M.left - M.right) / columns;
  const sy = (H - M.top - M.bottom) / rows;
  const path = geoPath();
  const make = contours().size([columns, rows]).smooth(true);
  return map.limits
    .map((limit, i): Border | null => {
      const no = map.forbids[i]!;
      // Heights to draw a line through: a plain no is a cliff.
      const shares = Array.from(map.shares[i]!, (v, at) =>
        Number.isNaN(v) ? (no[at] ? CLIFF : 0) : Math.min(v, CLIFF),
      );
      if (!shares.some((v) => v > 1)) return null;
      const shape = make.contour(shares, 1);
      const coordinates = shape.coordinates.map((polygon) =>
        polygon.map((ring) => ring.map(([x, y]) => [M.left + x! * sx, H - M.bottom - y! * sy])),
      );
      // Where this border is the border of what is allowed: nothing else is broken there.
      const touching: [number, number][] = [];
      for (const polygon of shape.coordinates)
        for (const ring of polygon)
          for (const [x, y] of ring as [number, number][]) {
            const at = Math.min(rows - 1, Math.floor(y)) * columns + Math.min(columns - 1, Math.floor(x));
            const inside = x > 0.6 && x < columns - 0.6 && y > 0.6 && y < rows - 0.6;
            if (inside && (map.largest[at] ?? 9) < 1.12 && shares[at]! > 0.85)
              touching.push([M.left + x * sx, H - M.bottom - y * sy]);
          }
      const d = path({ type: 'MultiPolygon', coordinates }) ?? '';
      return {
        id: limit.id,
        name: limit.name,
        area: d,
        line: d,
        label: touching[Math.floor(touching.length / 2)] ?? null,
        bounds: touching.length > 2,
      };
    })
    .filter((b): b is Border => b !== null);
}

/** Lines of equal metal per minute, for orientation. */
function levelsOf(map: LimitMap): string[] {
  const values = Array.from(map.worth, (v) => (Number.isFinite(v) ? v : 0));
  const sorted = [...values].sort((a, b) => a - b);
  const { columns, rows } = map;
  const sx = (W - M.left - M.right) / columns;
  const sy = (H - M.top - M.bottom) / rows;
  const path = geoPath();
  return [0.3, 0.55, 0.8].map((q) => {
    const shape = contours()
      .size([columns, rows])
      .contour(values, sorted[Math.floor(q * sorted.length)]!);
    const coordinates = shape.coordinates.map((polygon) =>
      polygon.map((ring) => ring.map(([x, y]) => [M.left + x! * sx, H - M.bottom - y! * sy])),
    );
    return path({ type: 'MultiPolygon', coordinates }) ?? '';
  });
}

/** Labels that would lie on one another are moved apart, upwards first. */
function spread(borders: readonly Border[]): { border: Border; x: number; y: number }[] {
  const placed: { border: Border; x: number; y: number }[] = [];
  for (const border of borders) {
    if (!border.label) continue;
    const x = Math.min(W - 120, Math.max(M.left + 6, border.label[0] + 6));
    const wanted = Math.min(H - M.bottom - 8, Math.max(M.top + 14, border.label[1] - 5));
    const taken = (y: number): boolean =>
      placed.some((p) => Math.abs(p.y - y) < 15 && Math.abs(p.x - x) < 130);
    // Nearest free line above or below; a crowded map may run out of them.
    const lines = [0, -15, 15, -30, 30, -45, 45, -60, 60].map((d) => wanted + d);
    const y = lines.find((l) => l > M.top + 10 && l < H - M.bottom - 4 && !taken(l)) ?? wanted;
    placed.push({ border, x, y });
  }
  return placed;
}

/** The map drawn: forbidden ground hatched by limit, borders named, the working point to take hold of. */
export function WindowPlot({
  map,
  here,
  disabled,
  onMove,
}: {
  map: LimitMap;
  here: { readonly x: number; readonly y: number };
  disabled: boolean;
  onMove: (x: number, y: number) => void;
}) {
  const system = useSystem();
  const plot = useRef<SVGSVGElement>(null);
  const borders = useMemo(() => bordersOf(map), [map]);
  const levels = useMemo(() => levelsOf(map), [map]);
  const labels = useMemo(() => spread(borders.filter((b) => b.bounds)), [borders]);
  const x = useMemo(() => scaleLog([map.x.low, map.x.high], [M.left, W - M.right]), [map]);
  const y = useMemo(() => scaleLog([map.y.low, map.y.high], [H - M.bottom, M.top]), [map]);
  const look = (i: number) => LOOKS[i % LOOKS.length]!;
  const tidy = (f: LimitMap['x'], v: number): number =>
    Number((Math.round(Math.min(f.high, Math.max(f.low, v)) / f.step) * f.step).toFixed(5));
  const bind = useDrag(
    ({ xy: [cx, cy], event }) => {
      event.stopPropagation();
      if (disabled || !plot.current) return;
      const matrix = plot.current.getScreenCTM()?.inverse();
      if (!matrix) return;
      const point = new DOMPoint(cx, cy).matrixTransform(matrix);
      onMove(tidy(map.x, x.invert(point.x)), tidy(map.y, y.invert(point.y)));
    },
    { pointer: { keys: false }, filterTaps: true },
  );
  const px = Math.min(W - M.right, Math.max(M.left, x(here.x)));
  const py = Math.min(H - M.bottom, Math.max(M.top, y(here.y)));
  const said = (f: LimitMap['x'], v: number): string => `${f.name} ${formatMeasure(v, f.unit, system)}`;
  const ticks = (f: LimitMap['x'], n: number): number[] => {
    const count = Math.log2(f.high / f.low);
    const step = Math.max(1, Math.round(count / n));
    const list: number[] = [];
    for (let e = Math.ceil(Math.log2(f.low)); 2 ** e <= f.high * 1.001; e += step) list.push(2 ** e);
    return list.length > 1 ? list : [f.low, f.high];
  };
  const bounding = labels.map((l) => l.border.name);
  // Where nothing is allowed, the least broken point names what stands in the way.
  const nearest = useMemo(() => {
    if (map.worth.some((_, at) => map.forbids.every((no) => !no[at]))) return null;
    // Points a plain no forbids have no share; they are named when there are no others.
    let at = 0;
    map.largest.forEach((v, k) => {
      if (v < (Number.isNaN(map.largest[at]!) ? Infinity : map.largest[at]!)) at = k;
    });
    return map.limits[map.worst[at]!]?.name ?? null;
  }, [map]);
  const nowhere = nearest && `No setting here clears every limit; closest limit ${nearest}`;
  return (
    <svg
      ref={plot}
      viewBox={`0 0 ${W} ${H}`}
      role="group"
      aria-label={`Map of ${map.x.name} and ${map.y.name}; ${nowhere ?? `bounded by ${bounding.join(', ') || 'its own range'}`}`}
      className="h-auto max-h-full w-full"
    >
      <defs>
        {borders.map((b, i) => (
          <Pattern key={b.id} id={`look-${i}`} look={look(i)} />
        ))}
        <clipPath id="plot">
          <rect x={M.left} y={M.top} width={W - M.left - M.right} height={H - M.top - M.bottom} />
        </clipPath>
      </defs>
      <rect
        x={M.left}
        y={M.top}
        width={W - M.left - M.right}
        height={H - M.top - M.bottom}
        fill="var(--raised)"
        stroke="var(--line)"
      />
      <g clipPath="url(#plot)">
        {levels.map((d, i) => (
          <path key={i} d={d} fill="none" stroke="var(--soft)" strokeWidth="0.8" strokeDasharray="1 4" />
        ))}
        {borders.map((b, i) => (
          <path
            key={b.id}
            d={b.area}
            fill={`url(#look-${i})`}
            stroke={look(i).colour}
            strokeWidth={b.bounds ? 2.2 : 0.8}
            strokeOpacity={b.bounds ? 1 : 0.5}
          />
        ))}
      </g>
      {labels.map(({ border, x: lx, y: ly }) => (
        <text
          key={border.id}
          x={lx}
          y={ly}
          fontSize="12.5"
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
          fontSize="14"
          fontWeight="650"
          textAnchor="middle"
          fill="var(--over)"
          {...halo('card')}
        >
          {nowhere}
        </text>
      )}
      {ticks(map.x, 6).map((t) => (
        <text key={t} x={x(t)} y={H - M.bottom + 15} fontSize="12" textAnchor="middle" fill="var(--ink)">
          {formatMeasure(t, map.x.unit, system).replace(/\u00a0.*/, '')}
        </text>
      ))}
      {ticks(map.y, 5).map((t) => (
        <text key={t} x={M.left - 5} y={y(t) + 4} fontSize="12" textAnchor="end" fill="var(--ink)">
          {formatMeasure(t, map.y.unit, system).replace(/\u00a0.*/, '')}
        </text>
      ))}
      <text x={(W + M.left) / 2} y={H - 6} fontSize="12.5" textAnchor="middle" fill="var(--soft)">
        {map.x.name}, {UNITS[map.x.unit][system].label}
      </text>
      <text
        transform={`translate(13 ${H / 2 - 10}) rotate(-90)`}
        fontSize="12.5"
        textAnchor="middle"
        fill="var(--soft)"
      >
        {map.y.name}, {UNITS[map.y.unit][system].label}
      </text>
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
          if (disabled) return;
          const times = e.shiftKey ? 1.25 : 1.05;
          const [fx, fy] =
            e.key === 'ArrowRight'
              ? [times, 1]
              : e.key === 'ArrowLeft'
                ? [1 / times, 1]
                : e.key === 'ArrowUp'
                  ? [1, times]
                  : e.key === 'ArrowDown'
                    ? [1, 1 / times]
                    : [0, 0];
          if (fx === 0) return;
          e.preventDefault();
          onMove(tidy(map.x, here.x * fx!), tidy(map.y, here.y * fy!));
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
    </svg>
  );
}
