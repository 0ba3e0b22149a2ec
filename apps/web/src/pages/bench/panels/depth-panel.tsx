import {
  drillingState,
  type DrillingOperation,
  formatMeasure,
  type OperationContext,
  pecksByDepth,
  toShown,
  UNITS,
} from '@burl/core';
import { useMemo } from 'react';
import { type Curve, Plot } from '../../../charts/plot.tsx';
import { useSystem } from '../../../frame/preferences.tsx';

/** Pecks against depth for this drill, coolant and alloy, and what changes the answer where. */
export default function DepthPanel({ op, context }: { op: DrillingOperation; context: OperationContext }) {
  const system = useSystem();
  const { answer, most, here } = useMemo(() => {
    const s = drillingState(op, context);
    const most = Math.max(12 * s.conditions.diameterMm, 1.2 * op.hole.depthMm);
    const bare = s.bottomTorqueNm.value / s.packingFactor;
    const stands = s.breaking ? (0.5 * s.bottomTorqueNm.value) / Math.max(1e-6, s.breaking.value) / bare : 99;
    return {
      answer: pecksByDepth(s.conditions, most, stands, s.conditions.carbide ? 5 : 4),
      most,
      here: s.pecks.length,
    };
  }, [op, context]);
  const pecksMost = Math.max(2, here, ...answer.answers.map((a) => a.pecks));
  const mm = (v: number): number => toShown(v, 'mm', system);
  const curves: Curve[] = [
    {
      label: 'pecks needed',
      // Each answer holds up to its depth.
      points: answer.answers.flatMap((a, i) => [
        { x: mm(answer.answers[i - 1]?.depthMm ?? 0), y: a.pecks },
        { x: mm(a.depthMm), y: a.pecks },
      ]),
      colour: 'accent',
      stepped: true,
    },
    ...answer.changes.map((c, i): Curve => ({
      // The sentence below says why.
      label: c.why.split(':')[0]!,
      points: [
        { x: mm(c.depthMm), y: 0 },
        { x: mm(c.depthMm), y: pecksMost },
      ],
      colour: 'tight',
      dash: i % 2 ? [2, 4] : [6, 4],
      width: 1.5,
    })),
    {
      label: 'this hole',
      points: [{ x: mm(op.hole.depthMm), y: here }],
      colour: 'ink',
      mark: 'circle',
      inside: 'card',
    },
  ];
  const text = `Pecks against depth: ${answer.changes.map((c) => `from ${formatMeasure(c.depthMm, 'mm', system)} ${c.why}`).join('; ')}`;
  return (
    <section aria-label="Pecks against depth" className="flex h-full min-h-0 flex-col gap-1">
      <div className="relative min-h-36 flex-1">
        <Plot
          text={text}
          curves={curves}
          x={`hole depth, ${UNITS.mm[system].label}`}
          y="pecks"
          xRange={[0, mm(most)]}
          yRange={[0, pecksMost]}
        />
      </div>
      <p className="shrink-0 text-[13px]">
        This hole is {formatMeasure(op.hole.depthMm, 'mm', system)} deep and drilled in{' '}
        {here === 1 ? 'one peck' : `${here} pecks`}.{' '}
        {answer.changes.map((c) => `From ${formatMeasure(c.depthMm, 'mm', system)}: ${c.why}.`).join(' ')}
      </p>
    </section>
  );
}
