import type { JudgedJob, LayOutWish, RouteChoice } from '@burl/core';
import type { Crib } from '@burl/contract';
import { useMemo, useState } from 'react';
import { amount, duration } from '../../judging/amount.ts';
import { offerOf } from '../../judging/offer.ts';
import { shareOfParts } from '../../judging/hole-words.ts';
import { Button } from '../../ui/button.tsx';
import { HeavyState } from '../../workers/heavy-state.tsx';
import { useHeavy } from '../../workers/use-heavy.ts';
import { BatchCard } from './card.tsx';

const WISH: LayOutWish = { objective: 'cost', confidence: 0.8, budget: 120 };

interface Line {
  readonly name: string;
  readonly of: (r: RouteChoice) => number;
  readonly show: (r: RouteChoice) => string;
}

/** Lines of the comparison; less is better in all of them. */
const linesOf = (currency: string): readonly Line[] => [
  { name: 'Minutes a part', of: (r) => r.minutesPerPart, show: (r) => duration(r.minutesPerPart) },
  { name: 'Batch', of: (r) => r.minutesBatch, show: (r) => duration(r.minutesBatch) },
  { name: 'Cost a part', of: (r) => r.costPerPart, show: (r) => amount(r.costPerPart, currency) },
  { name: 'Cost of the batch', of: (r) => r.costBatch, show: (r) => amount(r.costBatch, currency) },
  { name: 'Tools', of: (r) => r.tools, show: (r) => `${r.tools}` },
  { name: 'Edges', of: (r) => r.edges, show: (r) => `${r.edges}` },
  { name: 'Lost, each part', of: (r) => r.lost, show: (r) => shareOfParts(r.lost) },
  { name: 'Limits over', of: (r) => r.over, show: (r) => `${r.over}` },
  { name: 'Limits tight', of: (r) => r.tight, show: (r) => `${r.tight}` },
];

const ALIKE = 0.01;

/** Better or worse than what is planned, in words and share. */
function Difference({ line, route, planned }: { line: Line; route: RouteChoice; planned: RouteChoice }) {
  const [now, was] = [line.of(route), line.of(planned)];
  if (Math.abs(now - was) <= ALIKE * Math.abs(was) + 1e-9) return null;
  const better = now < was;
  const share =
    was > 0 && line.show(route).length > 2
      ? ` ${now > was ? '+' : '−'}${Math.round((100 * Math.abs(now - was)) / was)}%`
      : '';
  return (
    <span className={`block text-[12.5px] font-semibold ${better ? 'text-clear' : 'text-over'}`}>
      {better ? 'better' : 'worse'}
      {share}
    </span>
  );
}

/** The same job run other ways, side by side; a better one is taken as it stands. */
export function RoutesCard({
  job,
  crib,
  confidence,
  onTake,
}: {
  job: JudgedJob;
  crib: Crib;
  confidence: number;
  /** Null for who may only read. */
  onTake: ((route: RouteChoice) => void) | null;
}) {
  const [asked, setAsked] = useState(false);
  const offer = useMemo(() => offerOf(crib), [crib]);
  const key = useMemo(
    () =>
      JSON.stringify([
        'routes',
        confidence,
        crib.cutters.length,
        job.quantity,
        job.plan,
        job.rates,
        job.setups.map((s) => [s.plan, s.operations.map((o) => o.document)]),
      ]),
    [job, crib, confidence],
  );
  const heavy = useHeavy<RouteChoice[]>('routes', asked ? key : null, async (api, progress) => {
    const { proxy } = await import('comlink');
    return api.routes(job, offer, confidence, WISH, proxy(progress.part));
  });
  const routes = asked && !heavy.stale ? heavy.data : null;
  const planned = routes?.[0];
  return (
    <BatchCard
      title="The same job run otherwise"
      aside={
        asked ? (
          <HeavyState what="the routes" heavy={heavy} />
        ) : (
          <Button onClick={() => setAsked(true)}>Compare</Button>
        )
      }
    >
      {!asked && (
        <p className="text-[13px] text-soft">
          One tool for all it can, the best tool for each feature, light radial at full depth, levels: each
          worked out for the whole job.
        </p>
      )}
      {planned && routes.length === 1 && (
        <p className="text-[13px]">No other way of running it changes anything here.</p>
      )}
      {planned && routes.length > 1 && (
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Table of routes">
          <table className="w-full min-w-[640px] text-[13px]">
            <thead>
              <tr className="border-b border-line text-left align-top">
                <th scope="col" className="w-32 py-1 font-normal text-soft">
                  Route
                </th>
                {routes.map((r) => (
                  <th key={r.id} scope="col" className="py-1 pl-3">
                    {r.name}
                    {r !== planned && onTake && (
                      <div className="mt-1">
                        <Button onClick={() => onTake(r)}>Take this route</Button>
                      </div>
                    )}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {linesOf(job.rates.currency).map((line) => (
                <tr key={line.name} className="border-b border-line align-top last:border-0">
                  <th scope="row" className="py-1 text-left font-normal text-soft">
                    {line.name}
                  </th>
                  {routes.map((r) => (
                    <td key={r.id} className="py-1 pl-3">
                      {line.show(r)}
                      {r !== planned && <Difference line={line} route={r} planned={planned} />}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </BatchCard>
  );
}
