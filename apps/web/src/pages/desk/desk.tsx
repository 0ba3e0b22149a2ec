import { type JobStatus, mayEdit } from '@burl/contract';
import { FileUp, Plus } from 'lucide-react';
import { useDeferredValue, useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { refreshJob, useDesk, useFindings, useSession } from '../../api/hooks.ts';
import { type Action, useOffer } from '../../frame/actions.tsx';
import { Crumbs } from '../../frame/crumbs.tsx';
import { Button } from '../../ui/button.tsx';
import { FIELD_LOOK } from '../../ui/field.tsx';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { DeskColumn } from './desk-column.tsx';
import { FirstRun } from './first-run.tsx';
import { Findings } from './findings.tsx';

const WAITS: readonly { readonly status: JobStatus; readonly title: string; readonly empty: string }[] = [
  {
    status: 'draft',
    title: 'Draft',
    empty: 'No drafts. Create a job, or import one.',
  },
  { status: 'requested', title: 'Awaiting release', empty: 'None awaiting release.' },
  { status: 'released', title: 'Prove out', empty: 'No released sheet is waiting for the machine.' },
];

/** Jobs by what they wait for. */
export function Desk() {
  const { data: session } = useSession();
  const [search, setSearch] = useState('');
  const asked = useDeferredValue(search.trim());
  const { data: desk, error, mutate } = useDesk(asked);
  const found = useFindings();
  const file = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const edit = session?.person ? mayEdit(session.person.role) : false;
  const floor = session?.person?.role === 'floor';

  const actions = useMemo<Action[]>(
    () =>
      edit
        ? [
            { id: 'new-job', label: 'New job', keys: 'N', run: () => void navigate('/jobs/new') },
            { id: 'import-job', label: 'Import job', run: () => file.current?.click() },
          ]
        : [],
    [edit, navigate],
  );
  useOffer('desk', actions);
  useHotkeys('n', () => edit && void navigate('/jobs/new'), { preventDefault: true }, [edit, navigate]);

  async function importFile(chosen: File): Promise<void> {
    try {
      const text = await chosen.text();
      let data: unknown;
      try {
        data = JSON.parse(text);
      } catch {
        throw new Error(`${chosen.name} is not a job file: it does not hold JSON text. Nothing was changed.`);
      }
      const made = await call('POST', '/api/jobs/import', {}, data);
      await refreshJob(made.job.id);
      toast.success(`${made.job.number} is on the desk.`);
      await navigate(`/jobs/${made.job.id}`);
    } catch (e) {
      toast.error(`${messageOf(e)} Nothing was changed.`);
    }
  }

  if (error && !desk) return <Failed what="the jobs" message={error.message} retry={() => void mutate()} />;
  // What the floor found stands above the jobs: come later, it would move them from under a hand.
  const told = floor || found.data !== undefined || found.error !== undefined;
  if (!desk || !told) return <Loading what="the jobs" />;
  return (
    <div className="mx-auto max-w-[1400px] p-4">
      <Crumbs trail={[]} />
      <div className="mb-4 flex flex-wrap items-center gap-3">
        <h1 className="text-xl">Desk</h1>
        <input
          aria-label="Search jobs"
          placeholder="Number, part, customer, heat lot"
          value={search}
          onChange={(e) => setSearch(e.target.value)}
          className={`${FIELD_LOOK} max-w-xs`}
        />
        <span className="flex-1" />
        {edit && (
          <>
            <input
              ref={file}
              type="file"
              accept=".json,application/json"
              className="hidden"
              aria-label="Job file"
              onChange={(e) => {
                const chosen = e.target.files?.[0];
                e.target.value = '';
                if (chosen) void importFile(chosen);
              }}
            />
            <Button onClick={() => file.current?.click()}>
              <FileUp size={15} aria-hidden="true" /> Import
            </Button>
            <Button look="main" onClick={() => void navigate('/jobs/new')}>
              <Plus size={15} aria-hidden="true" /> New job
            </Button>
          </>
        )}
      </div>
      {!floor && <FirstRun />}
      {!floor && <Findings />}
      <div className="grid grid-cols-1 gap-4 md:grid-cols-3">
        {WAITS.map((w) => (
          <DeskColumn
            key={`${w.status} ${asked}`}
            status={w.status}
            title={w.title}
            empty={asked ? 'Nothing here matches the search.' : w.empty}
            search={asked}
            first={desk[w.status]}
            floor={floor}
          />
        ))}
      </div>
    </div>
  );
}
