import { useMemo } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { useCrib } from '../../api/hooks.ts';
import { Crumbs } from '../../frame/crumbs.tsx';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { CombinationDialog } from './combination-dialog.tsx';
import { CombinationList } from './combination-list.tsx';
import { CombinationTabs } from './combination-tabs.tsx';
import { operationOf } from './cut-asked.ts';
import { useCombination } from './use-combination.ts';

/** Spindles and combinations: how the tip moves, where it chatters, what was tried and heard. */
export default function ChatterPage() {
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const { data: crib, error: cribError } = useCrib();
  const here = useCombination();
  const { combinations, chosen, asked, edit } = here;
  const { data: all, error, mutate } = combinations;
  const cut = useMemo(
    () => (crib && chosen ? operationOf(crib, chosen, asked) : null),
    [crib, chosen, asked],
  );
  if (error && !all)
    return <Failed what="the combinations" message={error.message} retry={() => void mutate()} />;
  if (cribError && !crib) return <Failed what="the crib" message={cribError.message} />;
  if (!all || !crib) return <Loading what="the combinations" />;
  return (
    <div className="flex flex-col gap-2 p-3">
      <Crumbs trail={[{ label: 'Chatter' }]} />
      <div className="grid grid-cols-1 gap-3 lg:grid-cols-[230px_minmax(0,1fr)] print:block">
        <CombinationList
          all={all}
          crib={crib}
          chosen={chosen?.id}
          bench={here.bench}
          onNew={edit ? () => here.setMaking(true) : null}
        />
        {chosen && cut ? (
          <CombinationTabs
            combination={chosen}
            crib={crib}
            cut={cut}
            asked={asked}
            edit={edit}
            onAsk={here.setAsked}
          />
        ) : (
          <p className="rounded-lg border border-line bg-card p-4 text-soft">
            {chosen
              ? 'The crib lacks an entry of this combination, or the cut asked for is impossible with it.'
              : 'Create a combination of spindle, holder, tool and stick-out to begin.'}
          </p>
        )}
      </div>
      {here.making && (
        <CombinationDialog
          crib={crib}
          start={here.wish ?? {}}
          onClose={() => here.setMaking(false)}
          onMade={(made) => {
            here.setMaking(false);
            void navigate({ pathname: `/resonance/${made}`, search: search.toString() });
          }}
        />
      )}
    </div>
  );
}
