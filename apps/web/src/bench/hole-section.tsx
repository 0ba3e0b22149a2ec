import {
  type DrillingOperation,
  type Evaluation,
  formatMeasure,
  numberOf,
  type OperationContext,
} from '@burl/core';
import { scaleLinear } from 'd3-scale';
import { useSystem } from '../frame/preferences.tsx';
import { halo, StockPattern } from './drawing.tsx';
import { Handle } from './handle.tsx';

const W = 680;
const H = 262;
const TOP = 62;
const BOTTOM = 238;

/** Section of the hole with the drill at the bottom, strokes on a depth axis, torque beside it, and the stick-out. */
export function HoleSection({
  op,
  context,
  evaluation,
  readOnly,
  onStickOut,
}: {
  op: DrillingOperation;
  context: OperationContext;
  evaluation: Evaluation;
  readOnly: boolean;
  onStickOut: (mm: number) => void;
}) {
  const system = useSystem();
  const p = context.cutter.properties;
  const d = p.DC ?? op.hole.diameterMm;
  const depth = op.hole.depthMm;
  const out = op.tooling.stickOutMm;
  const point = p.PL ?? 0.2 * d;
  const y = scaleLinear()
    .domain([0, depth + point])
    .range([TOP, BOTTOM - 10]);
  const scale = (BOTTOM - 10 - TOP) / (depth + point);
  const cx = 190;
  const half = Math.max(5, (d / 2) * scale);
  const noseY = Math.max(22, y(depth - out) + 0);
  const torque = numberOf(evaluation, 'M').value;
  const packing = numberOf(evaluation, 'M').inputs.find((i) => i.symbol === 'k')?.value ?? 1;
  const longest = Math.max(...evaluation.pecks.map((k) => k.toMm - k.fromMm));
  const tx = scaleLinear()
    .domain([0, torque * 1.15])
    .range([0, 150]);
  const plotX = 420;
  const last = y(depth);
  const retractWord =
    evaluation.pecks[0]?.retract === 'full'
      ? 'full retract'
      : evaluation.pecks[0]?.retract === 'chip-break'
        ? 'short lift'
        : '';
  return (
    <svg viewBox={`0 0 ${W} ${H}`} className="h-auto w-full" role="group" aria-label="Section of the hole">
      <StockPattern />
      <path
        d={`M20 ${TOP} H${cx - half} V${y(depth)} L${cx} ${y(depth + point)} L${cx + half} ${y(depth)} V${TOP} H385 V${op.hole.through ? y(depth + point * 0.6) : BOTTOM + 8} H20 Z`}
        fill="url(#stock)"
        stroke="var(--stock-line)"
      />
      <path
        d={`M${cx - half + 1} ${noseY} H${cx + half - 1} V${y(depth)} L${cx} ${y(depth + point)} L${cx - half + 1} ${y(depth)} Z`}
        fill="var(--tool)"
        stroke="var(--accent)"
        strokeWidth="1.6"
      />
      {Array.from({ length: 5 }, (_, i) => {
        const from = y(depth) - i * half * 2.6;
        return from > TOP - 20 ? (
          <path
            key={i}
            d={`M${cx - half + 1} ${from} Q${cx} ${from - half * 0.6} ${cx + half - 1} ${from - half * 1.6}`}
            fill="none"
            stroke="var(--accent)"
            opacity="0.7"
          />
        ) : null;
      })}
      <path
        d={`M${cx - half * 2.4} ${noseY} h${half * 4.8} l${half * 0.5} ${-Math.min(18, noseY)} h${-half * 5.8} Z`}
        fill="var(--holder)"
        stroke="var(--soft)"
      />
      {evaluation.pecks.map((k, i) => (
        <g key={k.toMm}>
          <line x1={cx + half + 4} x2={cx + half + 20} y1={y(k.toMm)} y2={y(k.toMm)} stroke="var(--ink)" />
          {(evaluation.pecks[i + 1] === undefined ||
            y(evaluation.pecks[i + 1]!.toMm) - y(k.toMm) > 13 ||
            i === 0) &&
            (last - y(k.toMm) > 13 || k.toMm === depth) && (
              <text x={cx + half + 24} y={y(k.toMm) + 4} fontSize="12" fill="var(--ink)" {...halo('stock')}>
                {formatMeasure(k.toMm, 'mm', system)}
              </text>
            )}
        </g>
      ))}
      <text x="250" y="18" fontSize="12" fontWeight="600" fill="var(--soft)">
        Section, {op.hole.through ? 'through' : 'blind'}
      </text>
      <text x={30} y={BOTTOM + 2} fontSize="12.5" fill="var(--ink)" {...halo('stock')}>
        {evaluation.pecks.length === 1
          ? 'one stroke'
          : `${evaluation.pecks.length} strokes, ${retractWord} between`}
      </text>
      <line x1={40} x2={40} y1={noseY} y2={y(depth + point)} stroke="var(--ink)" />
      <text x={52} y={TOP + 40} fontSize="13.500" fontWeight="650" fill="var(--ink)" {...halo('stock')}>
        out {formatMeasure(out, 'mm', system)}
      </text>
      <text x={52} y={TOP + 57} fontSize="12" fill="var(--ink)" {...halo('stock')}>
        {(depth / d).toFixed(1)} diameters deep
      </text>
      <g transform={`translate(${plotX} 0)`}>
        <text x="0" y="18" fontSize="12" fontWeight="600" fill="var(--soft)">
          Torque down the hole
        </text>
        <line x1="0" x2="0" y1={TOP} y2={y(depth)} stroke="var(--ink)" />
        <line x1="0" x2="170" y1={TOP} y2={TOP} stroke="var(--line)" />
        {evaluation.pecks.map((k) => {
          // Chips add torque over the stretch since they were last cleared; the longest stretch reaches the full value.
          const stretch = (k.toMm - k.fromMm) / longest;
          const base = torque / packing;
          return (
            <path
              key={k.toMm}
              d={`M0 ${y(k.fromMm)} H${tx(base)} L${tx(base + (torque - base) * stretch)} ${y(k.toMm)} H0 Z`}
              fill="var(--accent)"
              fillOpacity="0.22"
              stroke="var(--accent)"
            />
          );
        })}
        <text x={tx(torque) + 6} y={y(depth)} fontSize="13" fontWeight="650" fill="var(--ink)">
          {formatMeasure(torque, 'Nm', system)}
        </text>
      </g>
      <Handle
        x={40}
        y={noseY}
        axis="y"
        label="Stick-out"
        value={out}
        unit="mm"
        low={Math.min(out, p.LPR ?? out)}
        high={Math.max(out, (p.OAL ?? 100) - 10)}
        step={0.5}
        perUnit={-1 / scale}
        disabled={readOnly}
        onMove={onStickOut}
      />
    </svg>
  );
}
