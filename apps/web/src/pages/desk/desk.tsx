import { formatDay } from '@burl/core';
import { type JobStatus, type JobSummary, mayEdit } from '@burl/contract';
import { formatDistanceToNow } from 'date-fns';
import { FileUp, Plus } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useNavigate } from 'react-router';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { refreshJob, useJobs, useSession } from '../../api/hooks.ts';
import { type Action, useOffer } from '../../frame/actions.tsx';
import { Crumbs } from '../../frame/crumbs.tsx';
import { Button } from '../../ui/button.tsx';
import { FIELD_LOOK } from '../../ui/field.tsx';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { StateWord } from '../../ui/state-mark.tsx';
import { NewJobDialog } from './new-job-dialog.tsx';

const WAITS: readonly { readonly status: JobStatus; readonly title: string; readonly empty: string }[] = [
  {
    status: 'draft',
    title: 'Draft',
    empty: 'No drafts. Create a job, or import one.',
  },
  { status: 'requested', title: 'Awaiting release', empty: 'None awaiting release.' },
  { status: 'released', title: 'Prove out', empty: 'No released sheet is waiting for the machine.' },
];

function JobCard({ job, floor }: { job: JobSummary; floor: boolean }) {
  const to = floor
    ? `/jobs/${job.id}/floor`
    : job.status === 'requested'
      ? `/jobs/${job.id}/release`
      : `/jobs/${job.id}`;
  return (
    <li className="rounded-lg border border-line bg-card p-3 focus-within:border-accent hover:border-accent">
      <div className="flex items-baseline justify-between gap-2">
        <Link to={to} className="font-semibold underline-offset-2 hover:underline">
          {job.number} {job.part}
        </Link>
        <span className="text-soft">rev {job.revision}</span>
      </div>
      <p className="text-[13px] text-soft">
        {job.customer ? `${job.customer} · ` : ''}
        Qty {job.quantity}
        {job.due ? ` · due ${formatDay(job.due)}` : ''}
      </p>
      {/* What was worked out last stays until the new numbers are there. */}
      <div aria-busy={job.pending} className="mt-2 flex items-center justify-between gap-2">
        {job.pending && !job.governing ? (
          <span className="text-soft">calculating…</span>
        ) : job.governing ? (
          <span className="flex min-w-0 items-center gap-1.5">
            <StateWord state={job.governing.state} />
            <span className="truncate text-soft">
              {job.governing.state === 'clear'
                ? `${job.operations} operations`
                : `${job.governing.limit}, ${job.governing.operation}`}
            </span>
          </span>
        ) : (
          <span className="text-soft">no operations yet</span>
        )}
        {!(job.pending && !job.governing) && (
          <span className="whitespace-nowrap">{job.minutes.toFixed(1)} min</span>
        )}
      </div>
      <div className="mt-2 flex items-center justify-between text-[12.5px] text-soft">
        <span>
          {job.updatedBy}, {formatDistanceToNow(new Date(job.updatedAt), { addSuffix: true })}
        </span>
        {job.status === 'released' && !floor && (
          <Link to={`/jobs/${job.id}/floor`} className="font-semibold text-accent underline">
            Sheet<span className="sr-only"> of {job.number}</span>
          </Link>
        )}
      </div>
    </li>
  );
}

/** Jobs by what they wait for. */
export function Desk() {
  const { data: jobs, error, mutate } = useJobs();
  const { data: session } = useSession();
  const [search, setSearch] = useState('');
  const [making, setMaking] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const edit = session?.person ? mayEdit(session.person.role) : false;
  const floor = session?.person?.role === 'floor';

  const actions = useMemo<Action[]>(
    () =>
      edit
        ? [
            { id: 'new-job', label: 'New job', keys: 'N', run: () => setMaking(true) },
            { id: 'import-job', label: 'Import job', run: () => file.current?.click() },
          ]
        : [],
    [edit],
  );
  useOffer('desk', actions);
  useHotkeys('n', () => edit && setMaking(true), { preventDefault: true }, [edit]);

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

  if (error && !jobs) return <Failed what="the jobs" message={error.message} retry={() => void mutate()} />;
  if (!jobs) return <Loading what="the jobs" />;
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = jobs.filter((j) =>
    words.every((w) => `${j.number} ${j.part} ${j.customer} ${j.heatLot}`.toLowerCase().includes(w)),
  );
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
            <Button look="main" onClick={() => setMaking(true)}>
              <Plus size={15} aria-hidden="true" /> New job
            </Button>
          </>
        )}
      </div>
      <div className="grid gap-4 md:grid-cols-3">
        {WAITS.map((w) => {
          const list = shown.filter((j) => j.status === w.status);
          return (
            <section key={w.status} aria-label={w.title}>
              <h2 className="mb-2 flex items-baseline gap-2 border-b-2 border-ink pb-1">
                {w.title} <span className="font-normal text-soft">{list.length}</span>
              </h2>
              {list.length === 0 ? (
                <p className="py-3 text-soft">
                  {words.length ? 'Nothing here matches the search.' : w.empty}
                </p>
              ) : (
                <ul className="space-y-2">
                  {list.map((j) => (
                    <JobCard key={j.id} job={j} floor={floor} />
                  ))}
                </ul>
              )}
            </section>
          );
        })}
      </div>
      {making && <NewJobDialog onClose={() => setMaking(false)} />}
    </div>
  );
}
