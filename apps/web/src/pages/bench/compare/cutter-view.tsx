import {
  formatMeasure,
  type MillingOperation,
  type Objective,
  type OperationContext,
  type Ranking,
} from '@burl/core';
import type { Crib } from '@burl/contract';
import { proxy } from 'comlink';
import { useMemo, useState } from 'react';
import { Aim, type Confidence } from './aim.tsx';
import { useSystem } from '../../../frame/preferences.tsx';
import { question } from '../../../workers/question.ts';
import { useHeavy } from '../../../workers/use-heavy.ts';
import { Button } from '../../../ui/button.tsx';
import { HeavyState } from '../../../workers/heavy-state.tsx';
import { StateWord } from '../../../ui/state-mark.tsx';
import { offerOf } from '../../../judging/offer.ts';
import { about } from './strategies-view.tsx';
import { stoppedBy } from './stopped-by.ts';

/** The crib's cutters for this feature: the best five worked out, the others with what tells against them. */
export default function CutterView({
  op,
  context,
  crib,
  shelf,
  readOnly,
  onTake,
}: {
  op: MillingOperation;
  context: OperationContext;
  crib: Crib;
  /** Edges in stock by cutter, as the job's operations count them. */
  shelf: ReadonlyMap<string, number>;
  readOnly: boolean;
  onTake: (next: MillingOperation) => void;
}) {
  const system = useSystem();
  const [objective, setObjective] = useState<Objective>('cost');
  const [confidence, setConfidence] = useState<Confidence>(0.9);
  const offer = useMemo(() => offerOf(crib), [crib]);
  const wish = { objective, confidence, budget: 1000 };
  const heavy = useHeavy<Ranking>(
    'rank',
    question('rank', { ...op, pins: [] }, context, wish),
    (api, progress) =>
      api.rank(
        op,
        context,
        offer,
        wish,
        proxy((part: number) => progress.part(part)),
      ),
  );
  const show = (v: number, unit: Parameters<typeof formatMeasure>[1]): string =>
    formatMeasure(v, unit, system);
  const ranking = heavy.data;
  return (
    <section aria-label="Choosing the cutter" className="space-y-3">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="text-[16px]">Cutters of the crib for this {op.feature.kind}</h2>
        <Aim
          objective={objective}
          confidence={confidence}
          onObjective={setObjective}
          onConfidence={setConfidence}
        />
        {heavy.busy && <HeavyState what="the ranking" heavy={heavy} />}
      </div>
      {!ranking && !heavy.busy && <HeavyState what="the ranking" heavy={heavy} />}
      {ranking && (
        <div className={heavy.stale ? 'opacity-60' : ''}>
          <div className="overflow-x-auto">
            <table className="w-full border-collapse rounded-lg border border-line bg-card">
              <thead>
                <tr className="text-left text-[13px] text-soft">
                  <th className="p-2 font-normal">Cutter</th>
                  <th className="p-2 font-normal">Limits</th>
                  <th className="p-2 text-right font-normal">Cycle time</th>
                  <th className="p-2 text-right font-normal">Cost</th>
                  <th className="p-2 text-right font-normal">Features per edge</th>
                  <th className="p-2 text-right font-normal">MRR</th>
                  <th className="p-2 font-normal">Cut</th>
                  <th className="p-2 font-normal">Limited by</th>
                  <th className="p-2 font-normal">Stock</th>
                  <th className="p-2">
                    <span className="sr-only">Use</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {ranking.best.map((b, i) => {
                  const l = b.layout!;
                  const here = b.cutterId === op.tooling.cutterId;
                  const edges = shelf.get(b.cutterId);
                  return (
                    <tr
                      key={b.cutterId}
                      className={`border-t border-line align-top ${i === 0 ? 'bg-accent-soft' : ''}`}
                    >
                      <th scope="row" className="p-2 text-left font-semibold">
                        {b.name}
                        <span className="block text-[12.5px] font-normal text-soft">
                          {i === 0 ? 'best for this' : ''}
                          {here ? `${i === 0 ? ', ' : ''}in use now` : ''}
                        </span>
                      </th>
                      <td className="p-2">
                        <StateWord state={l.state} />
                        {l.state !== 'clear' && (
                          <span className="block text-[12.5px] text-soft first-letter:uppercase">
                            {l.governing.name}
                          </span>
                        )}
                      </td>
                      <td className="p-2 text-right font-semibold">{show(l.minutes.total, 'min')}</td>
                      <td className="p-2 text-right">{show(l.cost, 'money')}</td>
                      <td className="p-2 text-right">
                        {l.featuresPerEdge ? about(l.featuresPerEdge.value) : '–'}
                      </td>
                      <td className="p-2 text-right">{show(l.removalCm3Min, 'cm3/min')}</td>
                      <td className="p-2 text-[13px]">
                        {show(l.operation.cut.axialDepthMm, 'mm')} ×{' '}
                        {show(l.operation.cut.radialEngagementMm, 'mm')},{' '}
                        {show(l.operation.cut.speedRpm, 'rpm')}
                      </td>
                      <td className="p-2 text-[13px]">{stoppedBy(l) ?? '–'}</td>
                      <td className="p-2 text-[13px]">
                        {edges === undefined ? 'stock unknown' : `${edges} ${edges === 1 ? 'edge' : 'edges'}`}
                      </td>
                      <td className="p-2 text-right">
                        <Button
                          look={i === 0 ? 'main' : 'plain'}
                          disabled={readOnly || heavy.busy}
                          aria-label={`Use ${b.name} in the operation`}
                          onClick={() => onTake({ ...l.operation, edgesOnShelf: edges ?? null })}
                        >
                          Use
                        </Button>
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
          </div>
          {ranking.best.length === 0 && (
            <p role="status" className="my-2">
              No cutter of the crib does this feature; the reasons are below.
            </p>
          )}
          <div className="mt-3 grid grid-cols-2 gap-3 max-[900px]:grid-cols-1">
            <section aria-label="Larger or shorter" className="rounded-lg border border-line bg-card p-3">
              <h3 className="mb-1">Larger or shorter tools</h3>
              <ul className="list-outside list-disc space-y-1 pl-4">
                {ranking.sizes.map((s) => (
                  <li key={s}>{s}</li>
                ))}
                {ranking.sizes.length === 0 && <li>Nothing in stock is larger or shorter.</li>}
              </ul>
            </section>
            <section aria-label="Ruled out" className="rounded-lg border border-line bg-card p-3">
              <h3 className="mb-1">Ruled out ({ranking.disqualified.length})</h3>
              <ul
                className="max-h-64 space-y-1 overflow-y-auto text-[13px]"
                tabIndex={0}
                aria-label="Cutters ruled out"
              >
                {ranking.disqualified.map((d) => (
                  <li key={d.cutterId} className="border-t border-line pt-1">
                    <b>{d.name}</b>: {d.against.join('; ')}.
                  </li>
                ))}
              </ul>
            </section>
          </div>
        </div>
      )}
    </section>
  );
}
