import { formatDay } from '@burl/core';
import type { JobDetail } from '@burl/contract';
import { Link } from 'react-router';
import { duration } from '../../judging/amount.ts';
import { useEvents } from '../../api/hooks.ts';
import { BurrCard } from './burr-card.tsx';
import { EntryHolesCard } from './entry-holes-card.tsx';
import { RiskCard, ToolChangesCard } from './hole-cards.tsx';
import type { RouteFacts } from './route-facts.ts';
import type { RouteChanges } from './use-route-changes.ts';

/** Newest entries of the record that are shown. */
const SHOWN = 8;

/** What the whole route comes to: time, risk, tool changes, edges, and who did what. */
export function RouteAside({
  job,
  facts,
  changes,
  readOnly,
}: {
  job: JobDetail['job'];
  facts: RouteFacts;
  changes: RouteChanges;
  readOnly: boolean;
}) {
  const { data: events } = useEvents(job.id);
  const { job: minutes, risk, currency, loads, fewest, grouped, tools } = facts;
  return (
    <aside className="space-y-4">
      <section aria-label="The part" className="rounded-lg border border-line bg-card p-3">
        <h2 className="mb-1">One part</h2>
        <p>
          <span className="text-2xl font-bold">{duration(minutes?.perPart ?? 0)}</span> in all
        </p>
        <p className="text-soft">
          {duration(minutes?.runningPerPart ?? 0)} running; {duration(minutes?.batch ?? 0)} for the batch of{' '}
          {job.quantity + job.plan.spares}
        </p>
        <Link to={`/jobs/${job.id}/batch`} className="text-accent underline">
          Minutes, cost and risk of the batch
        </Link>
      </section>
      {risk && risk.lost > 0.0005 && <RiskCard risk={risk} currency={currency} />}
      <EntryHolesCard missing={facts.entryHoles} readOnly={readOnly} onDrill={changes.drillEntry} />
      {facts.burrs && <BurrCard plan={facts.burrs} readOnly={readOnly} onOrder={changes.reorder} />}
      <ToolChangesCard
        loads={loads}
        fewest={fewest}
        readOnly={readOnly}
        onGroup={() => changes.reorder(grouped)}
      />
      <section aria-label="Tools" className="rounded-lg border border-line bg-card p-3">
        <h2 className="mb-1">Edges for the batch</h2>
        <ul className="space-y-1">
          {tools.map((t) => (
            <li key={t.cutterId} className="flex justify-between gap-2">
              <span className="min-w-0 text-[13px]">{t.name}</span>
              <span className={`font-semibold ${t.shortFromPart === null ? '' : 'text-over'}`}>
                {t.edges}
                {t.onShelf !== null && <span className="font-normal text-soft"> of {t.onShelf}</span>}
              </span>
            </li>
          ))}
        </ul>
        {tools.length === 0 && <p className="text-soft">None yet.</p>}
      </section>
      <section aria-label="Record" className="rounded-lg border border-line bg-card p-3">
        <h2 className="mb-1">Record</h2>
        <ol className="space-y-1 text-[13px]">
          {(events ?? []).slice(0, SHOWN).map((e) => (
            <li key={e.id}>
              <span className="text-soft">{formatDay(e.at)}</span> {e.person} {e.action} {e.subject}
            </li>
          ))}
        </ol>
      </section>
    </aside>
  );
}
