import type { FitQuestion, Fittable } from '@burl/contract';
import { useSearchParams } from 'react-router';
import { useFittable, useLearnt } from '../../api/hooks.ts';
import { Failed, Loading } from '../../ui/page-states.tsx';
import type { CribNames } from './crib-names.ts';
import { LearntList } from './learnt-list.tsx';
import { ProposalCard } from './proposal-card.tsx';

/** Alloys with trials, most first, and how many. */
const alloysIn = (fits: readonly Fittable[]): { alloyId: string; trials: number }[] => {
  const sums = new Map<string, number>();
  for (const f of fits) sums.set(f.alloyId, (sums.get(f.alloyId) ?? 0) + f.trials);
  return [...sums].map(([alloyId, trials]) => ({ alloyId, trials })).sort((a, b) => b.trials - a.trials);
};

type Chosen = Pick<FitQuestion, 'kind' | 'alloyId' | 'edgeFamily'>;

/** What trials propose, one alloy and edge family at a time, and what was accepted before. */
export function Learning({ names, edit }: { names: CribNames; edit: boolean }) {
  const { data: fits, error } = useFittable();
  const { data: learnt } = useLearnt();
  const [search, setSearch] = useSearchParams();
  const alloyId = search.get('fitAlloy');
  const edgeFamily = search.get('fitEdge');
  const chosen: Chosen | null =
    alloyId === null ? null : { kind: edgeFamily ? 'life' : 'load', alloyId, edgeFamily: edgeFamily ?? '' };
  const choose = (c: Chosen): void =>
    setSearch((now) => {
      const next = new URLSearchParams(now);
      next.set('fitAlloy', c.alloyId);
      next.set('fitEdge', c.edgeFamily);
      return next;
    });
  if (error && !fits) return <Failed what="what can be fitted" message={error.message} />;
  if (!fits || !learnt) return <Loading what="what can be fitted" />;
  const button = (c: Chosen, label: string, trials: number) => {
    const on = chosen?.alloyId === c.alloyId && chosen.edgeFamily === c.edgeFamily;
    return (
      <button
        type="button"
        aria-pressed={on}
        onClick={() => choose(c)}
        className={`flex w-full items-baseline justify-between gap-2 rounded-md border px-2.5 py-1.5 text-left ${on ? 'border-accent bg-accent-soft' : 'border-line bg-card hover:bg-accent-soft'}`}
      >
        <span>{label}</span>
        <span className="text-[13px] whitespace-nowrap text-soft">{trials}</span>
      </button>
    );
  };
  return (
    <div className="grid grid-cols-1 gap-4 lg:grid-cols-[320px_1fr]">
      <nav aria-label="What can be fitted" className="space-y-3">
        {alloysIn(fits).map((a) => (
          <section key={a.alloyId} aria-label={names.alloy(a.alloyId)} className="space-y-1">
            <h2 className="font-semibold">{names.alloy(a.alloyId)}</h2>
            {fits
              .filter((f) => f.alloyId === a.alloyId)
              .map((f) => (
                <div key={f.edgeFamily}>
                  {button(
                    { kind: 'life', alloyId: f.alloyId, edgeFamily: f.edgeFamily },
                    `Tool life: ${names.family(f.edgeFamily)}`,
                    f.trials,
                  )}
                </div>
              ))}
            {button(
              { kind: 'load', alloyId: a.alloyId, edgeFamily: '' },
              'Cutting force and drive',
              a.trials,
            )}
          </section>
        ))}
        {fits.length === 0 && <p className="text-soft">Nothing is logged yet.</p>}
      </nav>
      <div className="space-y-4">
        {chosen ? (
          <ProposalCard
            key={`${chosen.alloyId} ${chosen.edgeFamily}`}
            chosen={chosen}
            names={names}
            edit={edit}
          />
        ) : (
          <p className="text-soft">
            Choose what to fit. A fit is a proposal: nothing counts before an engineer accepts it.
          </p>
        )}
        <LearntList records={learnt} names={names} edit={edit} />
      </div>
    </div>
  );
}
