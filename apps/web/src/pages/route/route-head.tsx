import { alloyIdsOf, type Crib, type JobDetail } from '@burl/contract';
import { Download, Pencil } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/button.tsx';
import { JobDialog } from './job-dialog.tsx';

const STATUS_WORD = {
  draft: 'Draft',
  requested: 'release requested',
  released: 'released',
} as const;

const LINK =
  'inline-flex min-h-8 items-center gap-1.5 rounded-md border border-line bg-card px-3 py-1 font-semibold hover:bg-accent-soft';

/** The job in a line, and the ways on: its files, its holes, its release. */
export function RouteHead({ detail, crib, readOnly }: { detail: JobDetail; crib: Crib; readOnly: boolean }) {
  const { job, holes } = detail;
  const [editing, setEditing] = useState(false);
  const alloys = alloyIdsOf(detail).map((id) => crib.alloys.find((a) => a.id === id)?.document.name ?? id);
  const machine = crib.machines.find((m) => m.id === job.machineId)?.document;
  return (
    <div className="mb-4 flex flex-wrap items-start gap-4">
      <div className="min-w-0 flex-1">
        <h1 className="text-xl">
          {job.number} {job.part}
        </h1>
        <p className="text-soft">
          Qty {job.quantity}
          {job.plan.spares > 0 && ` and ${job.plan.spares} spare`} · {alloys.join(', ')} · {machine?.name}
          {job.heatLot && ` · lot ${job.heatLot}`} · revision {job.revision}, {STATUS_WORD[job.status]}
        </p>
      </div>
      {editing && <JobDialog job={job} crib={crib} onClose={() => setEditing(false)} />}
      <div className="flex flex-wrap items-center gap-2">
        {!readOnly && (
          <Button onClick={() => setEditing(true)}>
            <Pencil size={15} aria-hidden="true" /> Part and batch
          </Button>
        )}
        <a href={`/api/jobs/${job.id}/export`} className={LINK}>
          <Download size={15} aria-hidden="true" /> Job file
        </a>
        <a href={`/api/jobs/${job.id}/operations.csv`} className={LINK}>
          CSV
        </a>
        <Link to={`/programs?job=${job.id}`} className={LINK}>
          Programs
        </Link>
        <Link to={`/jobs/${job.id}/batch`} className={LINK}>
          Batch
        </Link>
        <Link to={`/jobs/${job.id}/holes`} className={LINK}>
          Holes{holes.length > 0 ? ` (${holes.length})` : ''}
        </Link>
        <Link
          to={`/jobs/${job.id}/release`}
          className="inline-flex min-h-8 items-center rounded-md border border-accent bg-accent px-3 py-1 font-semibold text-on-accent"
        >
          {job.status === 'draft' ? 'Request release' : 'Release'}
        </Link>
      </div>
    </div>
  );
}
