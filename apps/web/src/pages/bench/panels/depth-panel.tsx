import {
  drillingState,
  type DrillingOperation,
  formatMeasure,
  type OperationContext,
  strokesByDepth,
} from '@burl/core';
import { scaleLinear } from 'd3-scale';
import { useMemo } from 'react';
import { useSystem } from '../../../frame/preferences.tsx';

const W = 640;
const H = 190;
const M = { left: 44, right: 16, top: 14, bottom: 34 };

/** Pecks against depth for this drill, coolant and alloy, and what changes the answer where. */
export default function DepthPanel({ op, context }: { op: DrillingOperation; context: OperationContext }) {
  const system = useSystem();
  const { answer, most, here } = useMemo(() => {
    const s = drillingState(op, context);
    const most = Math.max(12 * s.conditions.diameterMm, 1.2 * op.hole.depthMm);
    const bare = s.bottomTorqueNm.value / s.packingFactor;
    const stands = s.breaking ? (0.5 * s.bottomTorqueNm.value) / Math.max(1e-6, s.breaking.value) / bare : 99;
    return {
      answer: strokesByDepth(s.conditions, most, stands, s.conditions.carbide ? 5 : 4),
      most,
      here: s.pecks.length,
    };
  }, [op, context]);
  const strokes = Math.max(2, here, ...answer.answers.map((a) => a.strokes));
  const x = scaleLinear()
    .domain([0, most])
    .range([M.left, W - M.right]);
  const y = scaleLinear()
    .domain([0, strokes])
    .range([H - M.bottom, M.top]);
  const step = answer.answers
    .map((a, i) => `${i === 0 ? `M${x(0)} ${y(a.strokes)}` : ''}V${y(a.strokes)}H${x(a.depthMm)}`)
    .join('');
  return (
    <section aria-label="Pecks against depth" className="flex h-full min-h-0 flex-col gap-1">
      <svg
        viewBox={`0 0 ${W} ${H}`}
        className="min-h-0 w-full flex-1"
        role="img"
        aria-label={`One stroke or several: ${answer.changes.map((c) => `from ${formatMeasure(c.depthMm, 'mm', system)} ${c.why}`).join('; ')}`}
      >
        {y
          .ticks(4)
          .filter(Number.isInteger)
          .map((t) => (
            <g key={t}>
              <line x1={M.left} x2={W - M.right} y1={y(t)} y2={y(t)} stroke="var(--line)" />
              <text x={M.left - 6} y={y(t) + 4} fontSize="11" textAnchor="end" fill="var(--soft)">
                {t}
              </text>
            </g>
          ))}
        {x.ticks(8).map((t) => (
          <text key={t} x={x(t)} y={H - M.bottom + 15} fontSize="11" textAnchor="middle" fill="var(--soft)">
            {formatMeasure(t, 'mm', system)}
          </text>
        ))}
        <text x={M.left} y={H - 4} fontSize="12" fill="var(--soft)">
          hole depth, pecks up the side
        </text>
        <path d={step} fill="none" stroke="var(--accent)" strokeWidth="2" />
        {answer.changes.map((c, i) => (
          <g key={c.why}>
            <line
              x1={x(c.depthMm)}
              x2={x(c.depthMm)}
              y1={M.top}
              y2={H - M.bottom}
              stroke="var(--tight)"
              strokeDasharray={i % 2 ? '2 4' : '6 4'}
            />
            <text
              x={x(c.depthMm) > W * 0.6 ? x(c.depthMm) - 5 : x(c.depthMm) + 5}
              y={M.top + 12 + 15 * i}
              fontSize="12"
              textAnchor={x(c.depthMm) > W * 0.6 ? 'end' : 'start'}
              fill="var(--ink)"
              stroke="var(--card)"
              strokeWidth="4"
              paintOrder="stroke"
            >
              {c.why}
            </text>
          </g>
        ))}
        <circle
          cx={x(op.hole.depthMm)}
          cy={y(here)}
          r="6"
          fill="var(--card)"
          stroke="var(--ink)"
          strokeWidth="2"
        />
      </svg>
      <p className="shrink-0 text-[13px]">
        This hole is {formatMeasure(op.hole.depthMm, 'mm', system)} deep and drilled in{' '}
        {here === 1 ? 'one peck' : `${here} pecks`}.{' '}
        {answer.changes.map((c) => `From ${formatMeasure(c.depthMm, 'mm', system)}: ${c.why}.`).join(' ')}
      </p>
    </section>
  );
}
