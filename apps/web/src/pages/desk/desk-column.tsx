import {
  asQuery,
  DESK_PAGE,
  type DeskColumn as Column,
  type JobStatus,
  type JobSummary,
} from '@burl/contract';
import { useState } from 'react';
import { toast } from 'sonner';
import { get, messageOf } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { JobCard } from './job-card.tsx';

/** Jobs that wait for the same: the last changed first, more on demand. */
export function DeskColumn({
  status,
  title,
  empty,
  search,
  first,
  floor,
}: {
  status: JobStatus;
  title: string;
  empty: string;
  search: string;
  first: Column;
  floor: boolean;
}) {
  const [more, setMore] = useState<readonly JobSummary[]>([]);
  const [asking, setAsking] = useState(false);
  // One that changed since comes up among the first: it is shown there.
  const known = new Set(first.jobs.map((j) => j.id));
  const shown = [...first.jobs, ...more.filter((j) => !known.has(j.id))];

  async function askForMore(): Promise<void> {
    setAsking(true);
    try {
      const before = shown.at(-1)?.id;
      const next = await get<JobSummary[]>(
        `/api/jobs${asQuery({ search, status, before, most: DESK_PAGE })}`,
      );
      setMore([...more, ...next]);
    } catch (error) {
      toast.error(messageOf(error));
    } finally {
      setAsking(false);
    }
  }

  return (
    <section aria-label={title} className="min-w-0">
      <h2 className="mb-2 flex items-baseline gap-2 border-b-2 border-ink pb-1">
        {title} <span className="font-normal text-soft">{first.total.toLocaleString('en')}</span>
      </h2>
      {shown.length === 0 ? (
        <p className="py-3 text-soft">{empty}</p>
      ) : (
        <ul className="space-y-2">
          {shown.map((j) => (
            <JobCard key={j.id} job={j} floor={floor} />
          ))}
        </ul>
      )}
      {shown.length < first.total && (
        <Button className="mt-2 w-full" disabled={asking} onClick={() => void askForMore()}>
          {Math.min(DESK_PAGE, first.total - shown.length)} more of{' '}
          {(first.total - shown.length).toLocaleString('en')}
        </Button>
      )}
    </section>
  );
}
