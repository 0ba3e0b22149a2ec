import { asQuery, mayEdit } from '@burl/contract';
import { FileDown } from 'lucide-react';
import { NavLink, useParams, useSearchParams } from 'react-router';
import { useSession, useTrialFacets, useTrials } from '../../api/hooks.ts';
import { Crumbs } from '../../frame/crumbs.tsx';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { useCribNames } from './crib-names.ts';
import { Filters } from './filters.tsx';
import { ImportTrials } from './import-trials.tsx';
import { Learning } from './learning.tsx';
import { TrialDetail } from './trial-detail.tsx';
import { TrialPlots } from './trial-plots.tsx';
import { TrialsTable } from './trials-table.tsx';
import { useQuestion } from './use-question.ts';

const VIEWS = [
  ['', 'Trials'],
  ['plots', 'Plots'],
  ['learning', 'Learning'],
] as const;

function Tabs() {
  const [search] = useSearchParams();
  return (
    <nav aria-label="Views of the logbook" className="flex gap-1">
      {VIEWS.map(([view, name]) => (
        <NavLink
          key={view}
          to={{ pathname: `/logbook${view ? `/${view}` : ''}`, search: search.toString() }}
          end
          className={({ isActive }) =>
            `rounded-md border px-3 py-1 font-semibold ${isActive ? 'border-accent bg-accent text-on-accent' : 'border-line bg-card hover:bg-accent-soft'}`
          }
        >
          {name}
        </NavLink>
      ))}
    </nav>
  );
}

/** Trials of all jobs: filtered, drawn, and what was learnt of them. */
export default function LogbookPage() {
  const { view = '' } = useParams();
  const { data: session } = useSession();
  const names = useCribNames();
  const [question, ask] = useQuestion();
  const [search, setSearch] = useSearchParams();
  const { data: facets } = useTrialFacets();
  const { data: page, error } = useTrials(question);
  const edit = session?.person ? mayEdit(session.person.role) : false;
  const opened = search.get('trial');
  const open = (id: string | null): void =>
    setSearch((now) => {
      const next = new URLSearchParams(now);
      if (id === null) next.delete('trial');
      else next.set('trial', id);
      return next;
    });
  return (
    <div className="mx-auto max-w-[1400px] space-y-3 p-4">
      <Crumbs trail={[]} />
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="text-xl">Logbook</h1>
        <Tabs />
        <span className="flex-1" />
        {view !== 'learning' && (
          <>
            <p role="status" className="text-soft">
              {page?.count
                ? `${page.count.n.toLocaleString('en-GB')}${page.count.more ? '+' : ''} trials`
                : ''}
            </p>
            <a
              href={`/api/trials.csv${asQuery(question)}`}
              className="inline-flex min-h-8 items-center gap-1.5 rounded-md border border-line bg-card px-3 py-1 font-semibold"
            >
              <FileDown size={15} aria-hidden="true" /> CSV
            </a>
            {edit && <ImportTrials />}
          </>
        )}
      </div>
      {view === 'learning' ? (
        <Learning names={names} edit={edit} />
      ) : (
        <>
          <Filters question={question} facets={facets} names={names} onAsk={ask} />
          {error && !page ? (
            <Failed what="the trials" message={error.message} />
          ) : !page ? (
            <Loading what="the trials" />
          ) : page.trials.length === 0 ? (
            <p className="text-soft">
              {Object.keys(question).length === 0
                ? 'Nothing is logged yet. Trials are logged on the setup sheet of a released job.'
                : 'No trial matches. Widen the filter.'}
            </p>
          ) : view === 'plots' ? (
            <TrialPlots question={question} />
          ) : (
            <TrialsTable
              key={JSON.stringify(question)}
              question={question}
              first={page}
              names={names}
              onOpen={open}
            />
          )}
        </>
      )}
      {opened && <TrialDetail id={opened} names={names} onClose={() => open(null)} />}
    </div>
  );
}
