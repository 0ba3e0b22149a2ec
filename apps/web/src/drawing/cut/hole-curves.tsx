import {
  CHAMFER_OFF_TIP,
  drillingState,
  formatMeasure,
  type HoleOperation,
  holeMillingState,
  type OperationContext,
  packingFactor,
  type System,
  tappingState,
} from '@burl/core';
import type { ScaleLinear } from 'd3-scale';

/** One curve down the hole: value at depths, and what it must not pass. */
export interface DepthCurve {
  readonly title: string;
  readonly unit: 'Nm' | 'degC';
  readonly points: readonly (readonly [depthMm: number, value: number])[];
  readonly most: number | null;
}

/** Samples of one stroke. */
const SAMPLES = 8;

/** Torque, and for drills temperature, down the hole; empty where nothing changes with depth. */
export function depthCurves(op: HoleOperation, context: OperationContext): DepthCurve[] {
  if (op.kind === 'drilling') {
    const s = drillingState(op, context);
    const bare = s.bottomTorqueNm.value / s.packingFactor;
    const along = (value: (column: number) => number): (readonly [number, number])[] =>
      s.loaded.flatMap((k) =>
        Array.from({ length: SAMPLES + 1 }, (_, i): readonly [number, number] => {
          const t = i / SAMPLES;
          return [k.fromMm + t * (k.toMm - k.fromMm), value(k.beginsWith + t * (k.endsWith - k.beginsWith))];
        }),
      );
    const most = s.breaking ? (0.5 * s.bottomTorqueNm.value) / Math.max(1e-6, s.breaking.value) : null;
    return [
      {
        title: 'Torque',
        unit: 'Nm',
        points: along((column) => bare * packingFactor(column, s.reachDiameters)),
        most,
      },
      { title: 'Lip', unit: 'degC', points: along((column) => s.heat.at(column)), most: null },
    ];
  }
  if (op.kind === 'tapping') {
    const { torque, breakNm } = tappingState(op, context);
    const { depthMm } = op.hole;
    const worn = torque.sharpNm * torque.wear;
    return [
      {
        title: 'Torque',
        unit: 'Nm',
        points: Array.from({ length: SAMPLES + 1 }, (_, i) => {
          const t = i / SAMPLES;
          return [t * depthMm, worn * (1 + (torque.packing - 1) * t)] as const;
        }),
        most: 0.5 * breakNm.value,
      },
    ];
  }
  return [];
}

/** The curves beside the section, on its depth axis. */
export function DepthCurves({
  curves,
  y,
  x,
  top,
  system,
}: {
  curves: readonly DepthCurve[];
  y: ScaleLinear<number, number>;
  x: number;
  top: number;
  system: System;
}) {
  const width = curves.length > 1 ? 96 : 180;
  return (
    <>
      {curves.map((c, i) => {
        const left = x + i * (width + 34);
        const largest = Math.max(
          ...c.points.map(([, v]) => v),
          c.most !== null && c.most < 3 * Math.max(...c.points.map(([, v]) => v)) ? c.most : 0,
        );
        const at = (v: number): number => left + (v / (largest * 1.12)) * width;
        const last = c.points.at(-1)!;
        const peak = c.points.reduce((a, b) => (b[1] > a[1] ? b : a));
        const path = c.points.map(([d, v], k) => `${k === 0 ? 'M' : 'L'}${at(v)} ${y(d)}`).join(' ');
        return (
          <g key={c.title}>
            <text
              x={left}
              y={top - 14}
              fontSize="calc(12.5px * var(--text, 1))"
              fontWeight="650"
              fill="var(--ink)"
            >
              <tspan fontWeight="600" fill="var(--soft)">
                {c.title}
              </tspan>{' '}
              {formatMeasure(peak[1], c.unit, system)}
            </text>
            <line x1={left} x2={left} y1={top} y2={y(last[0])} stroke="var(--ink)" />
            <line x1={left} x2={left + width} y1={top} y2={top} stroke="var(--line)" />
            <path
              d={`M${left} ${y(0)} ${path.replace(/^M/, 'L')} L${left} ${y(last[0])} Z`}
              fill="var(--accent)"
              fillOpacity="0.2"
              stroke="none"
            />
            <path d={path} fill="none" stroke="var(--accent)" strokeWidth="1.6" />
            {c.most !== null && c.most <= largest && (
              <g>
                <line
                  x1={at(c.most)}
                  x2={at(c.most)}
                  y1={top}
                  y2={y(last[0])}
                  stroke="var(--over)"
                  strokeDasharray="5 3"
                />
                <text
                  x={at(c.most) - 3}
                  y={y(last[0]) + 12}
                  fontSize="calc(11px * var(--text, 1))"
                  textAnchor="end"
                  fill="var(--over)"
                >
                  half of breaking torque
                </text>
              </g>
            )}
          </g>
        );
      })}
    </>
  );
}

/** The hole from above: rings of a milled hole, or the ring a finishing tool takes. */
export function HoleFromAbove({
  op,
  context,
  x,
  y,
  radius,
  system,
}: {
  op: HoleOperation;
  context: OperationContext;
  x: number;
  y: number;
  radius: number;
  system: System;
}) {
  const { hole } = op;
  // A chamfer opens the rim of a hole that stays: twice its width wider.
  const rim = op.kind === 'chamfering';
  const [from, to] = rim
    ? [hole.diameterMm, hole.diameterMm + 2 * op.cut.widthMm]
    : [hole.startMm, hole.diameterMm];
  const scale = (2 * radius) / to;
  const tool = context.cutter.properties.DC ?? context.cutter.properties.DCONMS ?? 0;
  const bore = op.kind === 'hole-milling' ? holeMillingState(op, context).bore : null;
  const rounds = op.kind !== 'reaming' && op.kind !== 'boring' && op.kind !== 'tapping';
  return (
    <g>
      <text
        x={x}
        y={y - radius - 14}
        fontSize="calc(12px * var(--text, 1))"
        fontWeight="600"
        textAnchor="middle"
        fill="var(--soft)"
      >
        From above
      </text>
      <circle cx={x} cy={y} r={radius} fill="var(--stock)" stroke="var(--stock-line)" />
      {bore?.helices.map((h) => (
        <circle
          key={h.toMm}
          cx={x}
          cy={y}
          r={(h.toMm / 2) * scale}
          fill="none"
          stroke="var(--accent)"
          strokeDasharray="4 3"
        />
      ))}
      {from > 0 && (
        <circle
          cx={x}
          cy={y}
          r={(from / 2) * scale}
          fill="var(--card)"
          stroke="var(--ink)"
          strokeDasharray="2 3"
        />
      )}
      {bore && bore.coreMm > 0 && (
        <circle
          cx={x}
          cy={y}
          r={Math.max(2, (bore.coreMm / 2) * scale)}
          fill="url(#stock)"
          stroke="var(--tight)"
        />
      )}
      {rounds && tool > 0 && tool < hole.diameterMm && (
        <circle
          cx={x + (rim ? hole.diameterMm / 2 - CHAMFER_OFF_TIP : to / 2) * scale - (tool / 2) * scale}
          cy={y}
          r={(tool / 2) * scale}
          fill="var(--tool)"
          stroke="var(--accent)"
          strokeWidth="1.6"
        />
      )}
      {from > 0 && (
        <text
          x={x}
          y={y + radius + 18}
          fontSize="calc(12px * var(--text, 1))"
          textAnchor="middle"
          fill="var(--ink)"
        >
          {formatMeasure(from, 'mm', system)} → {formatMeasure(to, 'mm', system)}
        </text>
      )}
    </g>
  );
}
