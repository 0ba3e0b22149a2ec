import type { Crib, JobDetail } from '@burl/contract';
import { Download } from 'lucide-react';
import { Link } from 'react-router';

const STATUS_WORD = {
  draft: 'Draft',
  requested: 'release requested',
  released: 'released',
} as const;

const LINK =
  'inline-flex min-h-8 items-center gap-1.5 rounded-md border border-line bg-card px-3 py-1 font-semibold hover:bg-accent-soft';

/** The job in a line, and the ways on: its files, its holes, its release. */
export function RouteHead({ detail, crib }: { detail: JobDetail; crib: Crib }) {
  const { job, holes } = detail;
  const alloy = crib.alloys.find((a) => a.id === job.alloyId)?.document;
  const machine = crib.machines.find((m) => m.id === job.machineId)?.document;
  return (
    <div className="mb-4 flex flex-wrap items-start gap-4">
      <div className="min-w-0 flex-1">
        <h1 className="text-xl">
          {job.number} {job.part}
        </h1>
        <p className="text-soft">
          Qty {job.quantity} · {alloy?.name} · {machine?.name}
          {job.heatLot && ` · lot ${job.heatLot}`} · revision {job.revision}, {STATUS_WORD[job.status]}
        </p>
      </div>
      <div className="flex items-center gap-2">
        <a href={`/api/jobs/${job.id}/export`} className={LINK}>
          <Download size={15} aria-hidden="true" /> Job file
        </a>
        <a href={`/api/jobs/${job.id}/operations.csv`} className={LINK}>
          CSV
        </a>
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
