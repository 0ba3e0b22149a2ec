import {
  type MillingOperation,
  type Objective,
  type OperationContext,
  type Ranking,
  speak,
} from '@burl/core';
import type { Crib } from '@burl/contract';
import { proxy } from 'comlink';
import { useMemo, useState } from 'react';
import { useSystem } from '../../../frame/preferences.tsx';
import { offerOf } from '../../../judging/offer.ts';
import { HeavyState } from '../../../workers/heavy-state.tsx';
import { question } from '../../../workers/question.ts';
import { useHeavy } from '../../../workers/use-heavy.ts';
import type { Confidence } from '../aims.ts';
import { Aim } from './aim.tsx';
import { RankingTable } from './ranking-table.tsx';

/** Cuts tried for each cutter. */
const BUDGET = 1000;

/** What larger or shorter tools would change, and the cutters that were ruled out with why. */
function Others({ ranking }: { ranking: Ranking }) {
  const system = useSystem();
  // Those with the fewest reasons first: the nearest to being a choice.
  const nearest = [...ranking.disqualified].sort((a, b) => a.against.length - b.against.length);
  return (
    <div className="mt-3 grid grid-cols-2 gap-3 max-[900px]:grid-cols-1">
      <section aria-label="Larger or shorter" className="rounded-lg border border-line bg-card p-3">
        <h3 className="mb-1">Larger or shorter tools</h3>
        <ul className="list-outside list-disc space-y-1 pl-4">
          {ranking.sizes.map((s, i) => (
            <li key={i}>{speak(s, system)}</li>
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
          {nearest.map((d) => (
            <li key={d.cutterId} className="border-t border-line pt-1">
              <b>{d.name}</b>: {d.against.map((s) => speak(s, system)).join('; ')}.
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}

/** The crib's cutters for this feature: the best five worked out, the others with what rules them out. */
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
  const [objective, setObjective] = useState<Objective>('cost');
  const [confidence, setConfidence] = useState<Confidence>(0.9);
  const offer = useMemo(() => offerOf(crib), [crib]);
  const wish = { objective, confidence, budget: BUDGET };
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
        proxy((best: Ranking['best']) => progress.early({ best, disqualified: [], sizes: [] })),
      ),
  );
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
          <RankingTable
            best={ranking.best}
            present={op.tooling.cutterId}
            shelf={shelf}
            disabled={readOnly || heavy.busy}
            onTake={onTake}
          />
          {ranking.best.length === 0 && !heavy.busy && (
            <p role="status" className="my-2">
              No cutter in the crib does this feature; the reasons are below.
            </p>
          )}
          {!heavy.busy && <Others ranking={ranking} />}
        </div>
      )}
    </section>
  );
}
