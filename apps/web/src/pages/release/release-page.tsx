import { mayEdit, mayRelease, type ReleaseSummary } from '@burl/contract';
import { FileDown, Printer } from 'lucide-react';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { toast } from 'sonner';
import { mutate as refresh } from 'swr';
import { call, messageOf } from '../../api/client.ts';
import { refreshJob, useJob, useRelease, useReleases, useSession } from '../../api/hooks.ts';
import { Crumbs } from '../../frame/crumbs.tsx';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { Ask } from './ask.tsx';
import { Decide } from './decide.tsx';
import { BatchEvidence, Cautions, Differences, EvidenceList, Guesses } from './evidence.tsx';
import { useTicks } from './use-ticks.ts';

const MOMENT = (iso: string): string =>
  new Date(iso).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
const STATE_TEXT = {
  requested: 'awaiting approval',
  released: 'current',
  returned: 'returned',
  superseded: 'superseded',
  withdrawn: 'withdrawn',
} as const;
function NextRevision({ jobId, onDone }: { jobId: string; onDone: () => Promise<void> }) {
  const [reason, setReason] = useState('');
  const [failed, setFailed] = useState<string | null>(null);
  async function open(): Promise<void> {
    try {
      await call('POST', '/api/jobs/:id/revisions', { id: jobId }, { reason });
      toast.success('The next revision is open. The released sheet stays current until it is replaced.');
      await onDone();
    } catch (error) {
      setFailed(messageOf(error));
    }
  }
  return (
    <section aria-label="Next revision" className="space-y-2 rounded-lg border border-line bg-card p-3">
      <h2>Change something</h2>
      <Field label="Reason for the next revision" error={failed ?? undefined}>
        {(p) => (
          <textarea
            {...p}
            rows={2}
            value={reason}
            onChange={(e) => setReason(e.target.value)}
            className={FIELD_LOOK}
          />
        )}
      </Field>
      <Button disabled={reason.trim().length < 3} onClick={() => void open()}>
        Open the next revision
      </Button>
    </section>
  );
}

function SheetLinks({ release }: { release: ReleaseSummary }) {
  const system = useSystem();
  const link =
    'inline-flex items-center gap-1.5 rounded-md border border-line bg-card px-3 py-1.5 font-semibold hover:bg-accent-soft';
  return (
    <section aria-label="Sheet" className="space-y-2 rounded-lg border border-line bg-card p-3">
      <h2>Setup sheet, revision {release.revision}</h2>
      <div className="flex flex-wrap gap-2">
        {(['a4', 'letter'] as const).map((paper) => (
          <a
            key={paper}
            className={link}
            href={`/api/releases/${release.id}/sheet.pdf?paper=${paper}&units=${system}`}
            target="_blank"
            rel="noreferrer"
          >
            <FileDown size={15} aria-hidden="true" /> PDF {paper === 'a4' ? 'A4' : 'Letter'}
          </a>
        ))}
        <Link className={link} to={`/jobs/${release.jobId}/floor`}>
          <Printer size={15} aria-hidden="true" /> Open and print
        </Link>
      </div>
    </section>
  );
}

export default function ReleasePage() {
  const { job: jobId = '' } = useParams();
  const { data: detail, error, mutate } = useJob(jobId);
  const { data: list } = useReleases(jobId);
  const { data: session } = useSession();
  const [chosen, setChosen] = useState<string | null>(null);
  const waiting = list?.find((r) => r.state === 'requested');
  const inForce = list?.find((r) => r.state === 'released');
  const draft = detail?.job.status === 'draft';
  const shownId = chosen ?? (draft ? undefined : (waiting ?? inForce)?.id);
  const { data: release } = useRelease(shownId);
  const decides =
    release?.state === 'requested' &&
    session?.person !== undefined &&
    session.person !== null &&
    mayRelease(session.person.role) &&
    session.person.id !== release.requestedById;
  const ticks = useTicks(release, decides);
  const ticking = decides ? ticks : null;
  if (error && !detail) return <Failed what="the job" message={error.message} retry={() => void mutate()} />;
  if (!detail || !list || !session?.person) return <Loading what="the release" />;
  const { job } = detail;
  const done = async (): Promise<void> => {
    setChosen(null);
    await refreshJob(jobId);
    if (shownId) await refresh(`/api/releases/${shownId}`);
  };

  return (
    <div className="mx-auto max-w-[1300px] p-4">
      <Crumbs trail={[{ label: job.number, to: `/jobs/${jobId}` }, { label: 'Release' }]} />
      <h1 className="mb-3 text-xl">
        Release {job.number} {job.part}
      </h1>
      <div className="grid grid-cols-1 gap-4 lg:grid-cols-[minmax(0,1fr)_330px]">
        <div className="space-y-4">
          {!shownId && <Ask jobId={jobId} onDone={done} />}
          {shownId && !release && <Loading what="the evidence" />}
          {shownId && release && (
            <>
              <section aria-label="Request" className="rounded-lg border border-line bg-card p-3">
                <h2>
                  Revision {release.revision}, {STATE_TEXT[release.state]}
                </h2>
                <p>
                  {release.requestedBy} asked on {MOMENT(release.requestedAt)}
                  {release.requestNote && <>: “{release.requestNote}”</>}
                </p>
                {release.decidedAt && (
                  <p>
                    {release.decidedBy}, {MOMENT(release.decidedAt)}
                    {release.reason && <>: “{release.reason}”</>}
                  </p>
                )}
                {release.revisionReason && (
                  <p className="text-soft">Why this revision: {release.revisionReason}</p>
                )}
              </section>
              <section aria-label="Differences" className="rounded-lg border border-line bg-card p-3">
                <h2 className="mb-1">
                  {release.comparedWith === null
                    ? 'First release: nothing to compare with'
                    : `Against revision ${release.comparedWith}`}
                </h2>
                {release.differences?.length === 0 && <p className="text-soft">Nothing differs.</p>}
                {release.differences && release.differences.length > 0 && (
                  <Differences list={release.differences} />
                )}
              </section>
              <BatchEvidence ticks={ticks} batch={release.snapshot.batch} />
              <EvidenceList operations={release.snapshot.operations} ticks={ticking} />
              <Guesses operations={release.snapshot.operations} />
              <Cautions ticks={ticks} />
            </>
          )}
        </div>
        <aside className="space-y-4">
          {release?.state === 'requested' && <Decide release={release} ticks={ticks} onDone={done} />}
          {inForce && <SheetLinks release={inForce} />}
          {job.status === 'released' && mayEdit(session.person.role) && (
            <NextRevision jobId={jobId} onDone={done} />
          )}
          <section aria-label="History" className="rounded-lg border border-line bg-card p-3">
            <h2 className="mb-1">History</h2>
            {list.length === 0 && <p className="text-soft">Nothing was asked for yet.</p>}
            <ul className="space-y-1">
              {list.map((r) => (
                <li key={r.id}>
                  <button
                    type="button"
                    onClick={() => setChosen(r.id)}
                    aria-pressed={shownId === r.id}
                    className={`w-full rounded px-2 py-1 text-left hover:bg-accent-soft ${shownId === r.id ? 'bg-accent-soft font-semibold' : ''}`}
                  >
                    rev {r.revision} {STATE_TEXT[r.state]}
                    <span className="block text-[12.5px] font-normal text-soft">
                      {r.requestedBy}, {MOMENT(r.requestedAt)}
                      {r.state === 'returned' && r.reason ? `; ${r.reason}` : ''}
                    </span>
                  </button>
                </li>
              ))}
            </ul>
            {draft && chosen && (
              <Button look="quiet" onClick={() => setChosen(null)}>
                Back to the present draft
              </Button>
            )}
          </section>
        </aside>
      </div>
    </div>
  );
}
