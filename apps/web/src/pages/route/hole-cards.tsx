import type { JobRisk } from '@burl/core';
import { amount } from '../../judging/amount.ts';
import { shareOfParts } from '../../judging/hole-words.ts';
import { Button } from '../../ui/button.tsx';

/** What a route puts at risk in the order it has. */
export function RiskCard({ risk, currency }: { risk: JobRisk; currency: string }) {
  return (
    <section aria-label="Risk" className="rounded-lg border border-line bg-card p-3">
      <h2 className="mb-1">Risk</h2>
      <p>
        <span className="text-2xl font-bold">{shareOfParts(risk.lost)}</span> scrap risk
      </p>
      <p className="text-soft">
        {amount(risk.expectedLoss, currency)} per part in this order; the blank at{' '}
        {amount(risk.blankValue, currency)}
        {risk.assumed ? ' (assumed)' : ''}
      </p>
    </section>
  );
}

/** How often a tool is loaded, and how often it had to be. */
export function ToolChangesCard({
  loads,
  fewest,
  readOnly,
  onGroup,
}: {
  loads: number;
  fewest: number;
  readOnly: boolean;
  onGroup: () => void;
}) {
  return (
    <section aria-label="Tool changes" className="rounded-lg border border-line bg-card p-3">
      <h2 className="mb-1">Tool changes</h2>
      <p>
        <span className="text-2xl font-bold">{loads}</span> per part
      </p>
      {fewest < loads && (
        <>
          <p className="text-soft">{fewest} when steps of holes that share a tool run together.</p>
          {!readOnly && (
            <Button className="mt-1.5" onClick={onGroup}>
              Group by tool
            </Button>
          )}
        </>
      )}
    </section>
  );
}
