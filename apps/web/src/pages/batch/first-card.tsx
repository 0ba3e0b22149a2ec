import { type BatchPlan, formatMeasure, speak } from '@burl/core';
import { TriangleAlert } from 'lucide-react';
import { useSystem } from '../../frame/preferences.tsx';
import { amount } from '../../judging/amount.ts';
import { BatchCard } from './card.tsx';

/** How the first piece goes, what is at stake, and how the part may bow when it is let go. */
export function FirstCard({ plan }: { plan: BatchPlan }) {
  const system = useSystem();
  const { first, warp, money } = plan;
  const fine = (v: number): string => formatMeasure(v, 'mm-fine', system);
  return (
    <BatchCard title="First piece and distortion">
      <div className="space-y-2 text-[13px]">
        {first.flagged && (
          <p className="flex gap-1.5 font-semibold">
            <TriangleAlert size={16} className="mt-0.5 shrink-0 text-tight" aria-hidden="true" />
            {first.parts} parts would go through the first setup before one has passed the last:{' '}
            {amount(first.stake, money.currency)} at stake. Send one piece through all setups first.
          </p>
        )}
        <ol className="list-outside list-decimal space-y-0.5 pl-5">
          {first.steps.map((s, i) => (
            <li key={i}>{speak(s, system)}</li>
          ))}
        </ol>
        {warp ? (
          <div>
            <h3 className="text-[13px] font-semibold">Bow when it is let go: {warp.chance}</h3>
            <p>
              {fine(warp.bow.low)} to {fine(warp.bow.high)} over its length, by judgement
              {warp.toleranceMm !== null && `; ${fine(warp.toleranceMm)} governs`}. Stress in the blank:{' '}
              {warp.stress.name}, {warp.stress.because}. Taken off: top{' '}
              {formatMeasure(warp.topMm, 'mm', system)}, bottom {formatMeasure(warp.bottomMm, 'mm', system)}{' '}
              on average; {formatMeasure(warp.leftMm, 'mm', system)} left.
            </p>
            <p className="text-soft">Lowers it: {warp.lowers.join('; ')}.</p>
          </div>
        ) : (
          <p className="text-soft">Enter the size of part and blank to estimate how it may bow.</p>
        )}
      </div>
    </BatchCard>
  );
}
