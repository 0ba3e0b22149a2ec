import { formatDay } from '@burl/core';
import type { JobSummary } from '@burl/contract';
import { format, formatDistanceToNow } from 'date-fns';
import { CalendarX2 } from 'lucide-react';
import { Link } from 'react-router';
import { StateWord } from '../../ui/state-mark.tsx';

/** Today as the calendar here has it. */
const today = (): string => format(new Date(), 'yyyy-MM-dd');

/** One job: what it is cut of and on, when it is due, what governs it, how long it runs, who had it last. */
export function JobCard({ job, floor }: { job: JobSummary; floor: boolean }) {
  const to = floor
    ? `/jobs/${job.id}/floor`
    : job.status === 'requested'
      ? `/jobs/${job.id}/release`
      : `/jobs/${job.id}`;
  // What is on the machine already is not late at the desk.
  const late = job.due !== null && job.status !== 'released' && job.due < today();
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
        {job.due && !late ? ` · due ${formatDay(job.due)}` : ''}
        {late && (
          <span className="inline-flex items-center gap-1 font-semibold text-over">
            {' '}
            · <CalendarX2 size={13} aria-hidden="true" /> overdue since {formatDay(job.due!)}
          </span>
        )}
      </p>
      <p className="truncate text-[13px] text-soft" title={`${job.alloy} · ${job.machine}`}>
        {job.alloy} · {job.machine}
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
