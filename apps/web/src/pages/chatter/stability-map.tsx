import { formatNumber, formatMeasure, type StabilityMap, UNITS } from '@burl/core';
import { contours } from 'd3-contour';
import { geoPath } from 'd3-geo';
import { scaleLinear } from 'd3-scale';
import { useMemo } from 'react';
import { halo } from '../../drawing/drawing.tsx';
import { useSystem } from '../../frame/preferences.tsx';

const W = 720;
const H = 380;
const M = { left: 54, right: 14, top: 12, bottom: 42 };

/** The region in which vibration decays, as one area in the plot's own units: its border is where growth is none. */
function stableArea({ rpm, depthMm, growth }: StabilityMap): string {
  const [columns, rows] = [rpm.length, depthMm.length];
  // A contour keeps what is above: decay is growth below none.
  const decay = Array.from(growth, (g) => (Number.isFinite(g) ? Math.max(-4, Math.min(4, -g)) : -4));
  const shape = contours().size([columns, rows]).smooth(true).contour(decay, 0);
  const sx = (W - M.left - M.right) / columns;
  const sy = (H - M.top - M.bottom) / rows;
  const coordinates = shape.coordinates.map((polygon) =>
    polygon.map((ring) => ring.map(([x, y]) => [M.left + x! * sx, H - M.bottom - y! * sy])),
  );
  return geoPath()({ type: 'MultiPolygon', coordinates }) ?? '';
}

/** Stability over speed and depth: the one region in which vibration decays, its border, and the cut asked for. */
export function MapPicture({ map, rpm, depthMm }: { map: StabilityMap; rpm: number; depthMm: number }) {
  const system = useSystem();
  const area = useMemo(() => stableArea(map), [map]);
  const columns = map.rpm.length;
  const first = map.rpm[0]!;
  const last = map.rpm[columns - 1]!;
  const most = map.depthMm[map.depthMm.length - 1]!;
  const stable = [...map.growth].filter((g) => g < 0).length / map.growth.length;
  const x = scaleLinear([first, last], [M.left, W - M.right]);
  const y = scaleLinear([0, most], [H - M.bottom, M.top]);
  const inside = rpm >= first && rpm <= last && depthMm <= most;
  return (
    <figure>
      <figcaption className="mb-1 text-[13px] text-soft">
        Periodic solution, {columns} × {map.depthMm.length} points,{' '}
        {((100 * map.computed) / (columns * map.depthMm.length)).toFixed(0)}% of them calculated. Shaded:
        vibration decays; line: stability limit. Depth as it counts at the tip.
      </figcaption>
      <svg
        viewBox={`0 0 ${W} ${H}`}
        role="img"
        aria-label={`Map of stability from ${first.toFixed(0)} to ${last.toFixed(0)} rpm and up to ${formatMeasure(most, 'mm', system)} at the tip: ${(100 * stable).toFixed(0)}% of it settles.`}
        className="h-auto w-full"
      >
        <rect
          x={M.left}
          y={M.top}
          width={W - M.left - M.right}
          height={H - M.top - M.bottom}
          fill="var(--raised)"
          stroke="var(--line)"
        />
        <path d={area} fill="var(--clear)" fillOpacity="0.22" stroke="var(--clear)" strokeWidth="2" />
        <g fill="var(--ink)" fontSize="12.5">
          {x.ticks(7).map((t) => (
            <text key={t} x={x(t)} y={H - M.bottom + 16} textAnchor="middle">
              {formatNumber(t, 'rpm', system)}
            </text>
          ))}
          {y.ticks(6).map((t) => (
            <text key={t} x={M.left - 6} y={y(t) + 4} textAnchor="end">
              {formatNumber(t, 'mm', system)}
            </text>
          ))}
        </g>
        <g fill="var(--soft)" fontSize="12.5">
          <text x={(W + M.left) / 2} y={H - 6} textAnchor="middle">
            spindle speed, rpm
          </text>
          <text transform={`translate(13 ${H / 2 - 10}) rotate(-90)`} textAnchor="middle">
            axial depth at the tip, {UNITS.mm[system].label}
          </text>
        </g>
        {inside && (
          <g>
            <circle
              cx={x(rpm)}
              cy={y(depthMm)}
              r="6"
              fill="var(--raised)"
              stroke="var(--ink)"
              strokeWidth="2.5"
            />
            <text
              x={x(rpm) + (x(rpm) > W - 120 ? -11 : 11)}
              y={y(depthMm) + 4}
              textAnchor={x(rpm) > W - 120 ? 'end' : 'start'}
              fontSize="12.5"
              fontWeight="650"
              fill="var(--ink)"
              {...halo('card')}
            >
              cut asked for
            </text>
          </g>
        )}
      </svg>
    </figure>
  );
}
