import { type Difference, formatMeasure, type LimitResult, numberOf, speak } from '@burl/core';
import {
  mayEdit,
  mayRelease,
  RELEASE_CHECKS,
  type Release,
  type ReleasedOperation,
  type ReleaseSummary,
} from '@burl/contract';
import { FileDown, Printer } from 'lucide-react';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { toast } from 'sonner';
import { call, messageOf } from '../api/client.ts';
import { refreshJob, useCrib, useJob, useRelease, useReleases, useSession } from '../api/hooks.ts';
import { Crumbs } from '../frame/crumbs.tsx';
import { useSystem } from '../frame/preferences.tsx';
import { Button } from '../parts/button.tsx';
import { Field, FIELD_LOOK } from '../parts/field.tsx';
import { Failed, Loading } from '../parts/page-states.tsx';
import { StateMark, StateWord } from '../parts/state-mark.tsx';
import { contextOf } from '../work/context.ts';
import { judge } from '../work/judgement.ts';

const MOMENT = (iso: string): string =>
  new Date(iso).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
const STATE_TEXT = {
  requested: 'waits for a second person',
  released: 'in force',
  returned: 'went back',
  superseded: 'superseded',
  withdrawn: 'withdrawn',
} as const;
const SHOWN = {
  milling: ['n', 'vf', 'fz', 'ap', 'ae', 'hex', 'P', 'lean'],
  drilling: ['n', 'vf', 'fn', 'depth', 'pecks', 'M', 'Ff', 'p'],
} as const;

const plain = (value: unknown): string =>
  value === null || value === undefined
    ? 'none'
    : Array.isArray(value)
      ? value.join(', ') || 'none'
      : String(value);

function Differences({ list }: { list: readonly Difference[] }) {
  return (
    <table className="w-full text-[13px]">
      <tbody>
        {list.map((d) => (
          <tr key={d.path} className="border-b border-line last:border-0">
            <td className="py-0.5 font-mono text-[12.5px]">{d.path}</td>
            <td className="text-soft line-through">{plain(d.before)}</td>
            <td className="font-semibold">{plain(d.after)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function OpenLimit({ limit }: { limit: LimitResult }) {
  const system = useSystem();
  return (
    <li className="flex gap-2">
      <span className="mt-0.5">
        <StateMark state={limit.state} />
      </span>
      <span>
        <span className="font-semibold">{limit.state}</span>: {limit.name}. {speak(limit.why, system)}
      </span>
    </li>
  );
}

function Evidence({ op, number }: { op: ReleasedOperation; number: number }) {
  const system = useSystem();
  const open = op.evaluation.limits.filter((l) => l.state !== 'clear');
  const kinds = (kind: string) => op.evaluation.sources.filter((s) => s.kind === kind);
  return (
    <article className="rounded-lg border border-line bg-card p-3">
      <header className="mb-2 flex items-baseline justify-between gap-3">
        <h3>
          {number} {op.name}{' '}
          <span className="font-normal text-soft">
            {op.setup}, variant {op.variant}
          </span>
        </h3>
        <StateWord state={op.evaluation.state} />
      </header>
      <p className="mb-2 text-[13px] text-soft">
        {op.context.cutter.name} in {op.context.holder.name}, out{' '}
        {formatMeasure(op.document.tooling.stickOutMm, 'mm', system)}; {op.document.coolant}
      </p>
      <dl className="mb-2 grid grid-cols-4 gap-2">
        {SHOWN[op.document.kind].map((key) => {
          const q = numberOf(op.evaluation, key);
          return (
            <div key={key} className="rounded border border-line px-2 py-1">
              <dt className="text-[12px] text-soft">{q.name}</dt>
              <dd className="font-semibold">{formatMeasure(q.value, q.unit, system)}</dd>
            </div>
          );
        })}
      </dl>
      {open.length ? (
        <ul className="mb-2 space-y-1">
          {open.map((l) => (
            <OpenLimit key={l.id} limit={l} />
          ))}
        </ul>
      ) : (
        <p className="mb-2">All {op.evaluation.limits.length} limits are clear at their 90 % end.</p>
      )}
      <div className="grid grid-cols-2 gap-3 text-[13px]">
        <div>
          <h4 className="font-semibold">Measured here</h4>
          <ul className="text-soft">
            {kinds('measured').map((s) => (
              <li key={s.id}>{s.label}</li>
            ))}
            {kinds('measured').length === 0 && <li>nothing</li>}
          </ul>
        </div>
        <div>
          <h4 className="font-semibold">Assumed</h4>
          <ul className="text-soft">
            {[...kinds('library'), ...kinds('assumed'), ...kinds('model')].map((s) => (
              <li key={s.id}>{s.label}</li>
            ))}
          </ul>
        </div>
      </div>
    </article>
  );
}

function Decide({ release, onDone }: { release: Release; onDone: () => Promise<void> }) {
  const { data: session } = useSession();
  const person = session?.person;
  const [checks, setChecks] = useState<readonly string[]>([]);
  const [reason, setReason] = useState('');
  const [failed, setFailed] = useState<string | null>(null);
  if (!person) return null;
  const own = person.id === release.requestedById;

  async function decide(decision: 'release' | 'return'): Promise<void> {
    setFailed(null);
    try {
      await call('POST', `/api/releases/${release.id}/decision`, { decision, reason, checks });
      toast.success(
        decision === 'release' ? 'Released. The numbers are locked.' : 'Returned with your reason.',
      );
      await onDone();
    } catch (error) {
      setFailed(messageOf(error));
    }
  }
  async function withdraw(): Promise<void> {
    try {
      await call('POST', `/api/releases/${release.id}/withdrawal`);
      await onDone();
    } catch (error) {
      setFailed(messageOf(error));
    }
  }
  return (
    <section aria-label="Decision" className="space-y-3 rounded-lg border-2 border-accent bg-card p-3">
      <h2>Decision</h2>
      {mayRelease(person.role) && !own ? (
        <>
          <fieldset className="space-y-1.5">
            <legend className="sr-only">Checked</legend>
            {RELEASE_CHECKS.map((c) => (
              <label key={c.id} className="flex gap-2">
                <input
                  type="checkbox"
                  checked={checks.includes(c.id)}
                  onChange={(e) =>
                    setChecks(e.target.checked ? [...checks, c.id] : checks.filter((x) => x !== c.id))
                  }
                />
                {c.text}
              </label>
            ))}
          </fieldset>
          <Field label="Reason or remark" hint="needed to return">
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
          <div className="flex gap-2">
            <Button
              look="main"
              disabled={checks.length < RELEASE_CHECKS.length}
              onClick={() => void decide('release')}
            >
              Release
            </Button>
            <Button look="danger" onClick={() => void decide('return')}>
              Return
            </Button>
          </div>
        </>
      ) : (
        <p>
          {own
            ? 'You asked for this release; a second person with the role approver decides.'
            : 'A person with the role approver decides.'}
        </p>
      )}
      {mayEdit(person.role) && (
        <Button look="quiet" onClick={() => void withdraw()}>
          Withdraw the request
        </Button>
      )}
      {failed && (
        <p role="alert" className="text-over">
          {failed}
        </p>
      )}
    </section>
  );
}

/** Before anything is asked: what would be released now. */
function Ask({ jobId, onDone }: { jobId: string; onDone: () => Promise<void> }) {
  const { data: detail } = useJob(jobId);
  const { data: crib } = useCrib();
  const { data: session } = useSession();
  const system = useSystem();
  const [note, setNote] = useState('');
  const [failed, setFailed] = useState<string | null>(null);
  if (!detail || !crib || !session?.person) return <Loading what="the job" />;
  const rows = detail.setups.flatMap((s) =>
    s.operations.map((o) => {
      const document = (o.variants.find((v) => v.label === o.selected) ?? o.variants[0])!.document;
      return { o, e: judge(document, contextOf(crib, document, detail.job.quantity)).evaluation };
    }),
  );
  const over = rows.filter((r) => r.e?.state === 'over');
  const edit = mayEdit(session.person.role);

  async function ask(): Promise<void> {
    setFailed(null);
    try {
      await call('POST', `/api/jobs/${jobId}/release-requests`, { note });
      toast.success('Asked for release. The numbers are held until it is decided.');
      await onDone();
    } catch (error) {
      setFailed(messageOf(error));
    }
  }
  return (
    <section aria-label="Ask for release" className="rounded-lg border border-line bg-card p-4">
      <h2 className="mb-2">Revision {detail.job.revision}: what would go out</h2>
      {rows.length === 0 ? (
        <p className="text-soft">The route is empty. Add an operation first.</p>
      ) : (
        <ul className="mb-3 space-y-1.5">
          {rows.map(({ o, e }) => {
            const limit = e?.limits.find((l) => l.id === e.governing);
            return (
              <li key={o.id} className="grid grid-cols-[100px_1fr] gap-2">
                {e ? (
                  <StateWord state={e.state} />
                ) : (
                  <span className="font-semibold text-over">needs input</span>
                )}
                <span>
                  <Link
                    to={`/jobs/${jobId}/ops/${o.id}`}
                    className="font-semibold underline-offset-2 hover:underline"
                  >
                    {o.name}
                  </Link>
                  {limit && e?.state !== 'clear' && (
                    <span className="block text-[13px] text-soft">{speak(limit.why, system)}</span>
                  )}
                </span>
              </li>
            );
          })}
        </ul>
      )}
      {edit ? (
        <div className="space-y-3">
          <Field
            label="Note to the approver"
            hint={
              over.length
                ? `needed: why ${over.map((r) => r.o.name).join(', ')} may go out with a limit over`
                : 'what it rests on, what is new'
            }
          >
            {(p) => (
              <textarea
                {...p}
                rows={3}
                value={note}
                onChange={(e) => setNote(e.target.value)}
                className={FIELD_LOOK}
              />
            )}
          </Field>
          {failed && (
            <p role="alert" className="text-over">
              {failed}
            </p>
          )}
          <Button look="main" disabled={rows.length === 0} onClick={() => void ask()}>
            Ask for release
          </Button>
        </div>
      ) : (
        <p className="text-soft">An engineer asks for release.</p>
      )}
    </section>
  );
}

function NextRevision({ jobId, onDone }: { jobId: string; onDone: () => Promise<void> }) {
  const [reason, setReason] = useState('');
  const [failed, setFailed] = useState<string | null>(null);
  async function open(): Promise<void> {
    try {
      await call('POST', `/api/jobs/${jobId}/revisions`, { reason });
      toast.success('The next revision is open. The released sheet stays in force until it is replaced.');
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
      <h2>Sheet, revision {release.revision}</h2>
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
  if (error && !detail) return <Failed what="the job" message={error.message} retry={() => void mutate()} />;
  if (!detail || !list || !session?.person) return <Loading what="the release" />;
  const { job } = detail;
  const done = async (): Promise<void> => {
    setChosen(null);
    await refreshJob(jobId);
    if (shownId) await import('swr').then(({ mutate: again }) => again(`/api/releases/${shownId}`));
  };

  return (
    <div className="mx-auto max-w-[1300px] p-4">
      <Crumbs trail={[{ label: job.number, to: `/jobs/${jobId}` }, { label: 'Release' }]} />
      <h1 className="mb-3 text-xl">
        Release {job.number} {job.part}
      </h1>
      <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_330px]">
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
                {release.differences?.map((d) => (
                  <div key={d.operationId} className="mt-2">
                    <h3 className="text-[13px]">
                      {d.name}: {d.kind}
                    </h3>
                    <Differences list={d.differences} />
                  </div>
                ))}
              </section>
              {release.snapshot.operations.map((op, i) => (
                <Evidence key={op.operationId} op={op} number={i + 1} />
              ))}
            </>
          )}
        </div>
        <aside className="space-y-4">
          {release?.state === 'requested' && <Decide release={release} onDone={done} />}
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
