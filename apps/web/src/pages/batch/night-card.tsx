import type { BatchPlan, NightReport } from '@burl/core';
import { amount, duration } from '../../judging/amount.ts';
import { shareOfParts } from '../../judging/hole-words.ts';
import { InlineChoice } from '../../ui/inline-choice.tsx';
import { BatchCard } from './card.tsx';

export const CONFIDENCES = [0.8, 0.9, 0.95, 0.99] as const;
export type Confidence = (typeof CONFIDENCES)[number];

function Night({ report, currency }: { report: NightReport; currency: string }) {
  const { safe, night } = report;
  return (
    <div className="text-[13px]">
      <p>
        <span className="font-semibold">{report.setup}</span>
        {report.marked ? ' (marked: may run alone)' : ''}:{' '}
        {safe
          ? `${safe.parts} ${safe.parts === 1 ? 'part' : 'parts'}, ${duration(safe.minutes)} alone`
          : 'not one part alone'}{' '}
        at {Math.round(100 * report.confidence)}%; ended by: {report.endedBy}.
      </p>
      <p>
        One night, {night.parts} {night.parts === 1 ? 'part' : 'parts'} in {duration(night.minutes)}:{' '}
        {shareOfParts(night.trouble)} that something stops it, {amount(night.expectedLoss, currency)} expected
        loss.
      </p>
      <ul className="list-outside list-disc pl-4 text-soft">
        {night.by.map((b) => (
          <li key={b.name}>
            {b.name}: {shareOfParts(b.chance)}
          </li>
        ))}
      </ul>
      <p className="text-soft">
        Tools for it:{' '}
        {night.tools
          .map((t) => `${t.needed} × ${t.name}${t.onShelf === null ? '' : ` (${t.onShelf} on the shelf)`}`)
          .join('; ')}
        .
      </p>
    </div>
  );
}

/** What may run with nobody there: the longest stretch at the asked confidence, and what one night puts at risk. */
export function NightCard({
  plan,
  confidence,
  onConfidence,
}: {
  plan: BatchPlan;
  confidence: Confidence;
  onConfidence: (c: Confidence) => void;
}) {
  return (
    <BatchCard
      title="Alone at night"
      aside={
        <InlineChoice
          label="Confidence"
          value={confidence}
          options={CONFIDENCES}
          name={(v) => `${Math.round(100 * v)}%`}
          onTake={onConfidence}
        />
      }
    >
      <div className="space-y-2">
        {plan.nights.map((n) => (
          <Night key={n.setupId} report={n} currency={plan.money.currency} />
        ))}
        <p className="text-[12.5px] text-soft">
          Only where site rules and a qualified person allow it: fire, chips and coolant have to be watched or
          stopped by the machine.
        </p>
      </div>
    </BatchCard>
  );
}
