import { mayEdit } from '@burl/contract';
import { useNavigate, useSearchParams } from 'react-router';
import { useCrib, useSession } from '../../api/hooks.ts';
import { Crumbs } from '../../frame/crumbs.tsx';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { Asked } from './asked.tsx';
import { Running } from './running/running.tsx';

/** An answer without a job: worked out from a question, or for what somebody runs already. */
export default function QuickPage() {
  const { data: crib, error, mutate } = useCrib();
  const { data: session } = useSession();
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const said = search.get('said');
  if (error && !crib) return <Failed what="the crib" message={error.message} retry={() => void mutate()} />;
  if (!crib) return <Loading what="the crib" />;
  const may = session?.person ? mayEdit(session.person.role) : false;
  const tab = (label: string, on: boolean, to: string) => (
    <button
      type="button"
      role="tab"
      aria-selected={on}
      onClick={() => void navigate(to)}
      className={`min-h-9 border-b-2 px-3 font-semibold touch:min-h-11 ${on ? 'border-accent' : 'border-transparent text-soft hover:text-ink'}`}
    >
      {label}
    </button>
  );
  return (
    <div className="mx-auto max-w-[1400px] p-3">
      <Crumbs trail={[]} />
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <h1 className="text-xl">Quick</h1>
        <div role="tablist" aria-label="Quick" className="flex">
          {tab('What do I run?', said === null, '/quick')}
          {tab('What are they running?', said !== null, '/quick?said=')}
        </div>
      </div>
      {said === null ? (
        <Asked crib={crib} mayKeep={may} />
      ) : (
        <Running
          crib={crib}
          said={said}
          mayEdit={may}
          onSaid={(next) =>
            void navigate(`/quick?${new URLSearchParams({ said: next }).toString()}`, { replace: true })
          }
        />
      )}
    </div>
  );
}
