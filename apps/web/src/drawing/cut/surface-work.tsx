import { type Cutter, endOutline, formatMeasure, leanOf, type MillingOperation } from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { halo } from '../drawing.tsx';
import type { SidePlace } from './tool-from-side.tsx';

const RAD = Math.PI / 180;
/** The detail: its middle and size in the drawing, and how wide a step is drawn in it. */
const DETAIL = { x: 66, y: 96, r: 46, step: 34 } as const;
/** Ridges are drawn no higher than this, in the drawing's units. */
const HIGHEST = 14;

/** Where an outline's normal first leans as far as the surface: there it touches. In mm over the tip and off the axis. */
export function touchingPoint(cutter: Cutter, edgeMm: number, leanDeg: number) {
  const points = endOutline(cutter, edgeMm);
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1]!, points[i]!];
    const lean = Math.atan2(b.heightMm - a.heightMm, b.radiusMm - a.radiusMm) / RAD;
    if (lean >= leanDeg - 1e-6)
      return { heightMm: (a.heightMm + b.heightMm) / 2, radiusMm: (a.radiusMm + b.radiusMm) / 2 };
  }
  return points.at(-1)!;
}

/** The slope under the cutter as the cutter sees it: finished below the contact, its stock above. */
export function SurfaceWork({
  op,
  cutter,
  place: { scale, cx, floor },
  width,
  height,
}: {
  op: MillingOperation;
  cutter: Cutter;
  place: SidePlace;
  width: number;
  height: number;
}) {
  const lean = leanOf(op) * RAD;
  const { LCF, APMX } = cutter.properties;
  const edge = Math.min(op.tooling.stickOutMm, LCF ?? APMX ?? op.tooling.stickOutMm);
  const at = touchingPoint(cutter, edge, leanOf(op));
  const [x, y] = [cx + at.radiusMm * scale, floor - at.heightMm * scale];
  // Along the slope upwards, and off it.
  const [ux, uy] = [Math.cos(lean), -Math.sin(lean)];
  const far = width + height;
  // Past the top of the surface the part goes on level, which the cutter sees tilted.
  const tilt = lean - op.feature.slopeDeg * RAD;
  const rise = op.feature.widthMm * scale;
  const stock = Math.max(2, op.cut.axialDepthMm * scale);
  const top = { x: x + rise * ux, y: y + rise * uy };
  const beyond = { x: top.x + far * Math.cos(tilt), y: top.y - far * Math.sin(tilt) };
  const bottom = { x: x - far * ux, y: y - far * uy };
  return (
    <g data-surface={leanOf(op).toFixed(0)}>
      <path
        d={`M${bottom.x} ${bottom.y} L${top.x} ${top.y} L${beyond.x} ${beyond.y} V${2 * far} H${bottom.x} Z`}
        fill="url(#stock)"
        stroke="var(--stock-line)"
      />
      <path
        d={`M${x} ${y} L${top.x} ${top.y} l${stock * uy} ${-stock * ux} L${x + stock * uy} ${y - stock * ux} Z`}
        fill="var(--stock-line)"
        opacity="0.55"
      />
    </g>
  );
}

/** The ridges between passes, across them: step and height, the height enlarged. */
export function ScallopDetail({ stepMm, heightMm }: { stepMm: number; heightMm: number }) {
  const system = useSystem();
  const { x, y, r, step } = DETAIL;
  const high = Math.min(HIGHEST, Math.max(5, HIGHEST * Math.min(1, heightMm / 0.01)));
  const base = y + 12;
  const passes = [-2, -1, 0, 1];
  return (
    <g role="img" aria-label={`Ridges ${formatMeasure(heightMm, 'mm-fine', system)} high`}>
      <clipPath id="scallop-detail">
        <circle cx={x} cy={y} r={r} />
      </clipPath>
      <circle cx={x} cy={y} r={r} fill="var(--card)" stroke="var(--line)" />
      <g clipPath="url(#scallop-detail)">
        <path
          d={`M${x - 3 * step} ${base - high} ${passes
            .map((k) => `L${x + k * step} ${base - high} q${step / 2} ${2 * high} ${step} 0`)
            .join(' ')} V${y + r} H${x - 3 * step} Z`}
          fill="url(#stock)"
          stroke="var(--stock-line)"
        />
        <line x1={x} x2={x} y1={base - high - 14} y2={base - high - 3} stroke="var(--ink)" />
        <line x1={x + step} x2={x + step} y1={base - high - 14} y2={base - high - 3} stroke="var(--ink)" />
        <line x1={x} x2={x + step} y1={base - high - 8} y2={base - high - 8} stroke="var(--ink)" />
      </g>
      <text x={x} y={y - r - 6} fontSize="calc(12px * var(--text, 1))" textAnchor="middle" {...halo('card')}>
        ridges {formatMeasure(heightMm, 'mm-fine', system)}
      </text>
      <text
        x={x}
        y={base - high - 20}
        fontSize="calc(12px * var(--text, 1))"
        fontWeight="650"
        textAnchor="middle"
        {...halo('card')}
      >
        step {formatMeasure(stepMm, 'mm', system)}
      </text>
    </g>
  );
}
