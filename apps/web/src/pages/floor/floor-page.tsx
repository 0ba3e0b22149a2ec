import { formatDay } from '@burl/core';
import {
  type Release,
  type ReleasedOperation,
  firstPieceSteps,
  type ProveOutInput,
  type ProveOutRecord,
  sharedCautions,
  type Trial,
} from '@burl/contract';
import { ClipboardPen, FileDown, Printer } from 'lucide-react';
import { useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { v4 as newId } from 'uuid';
import { useProveOut, useSession, useSheet, useTrialsOfJob } from '../../api/hooks.ts';
import { Crumbs } from '../../frame/crumbs.tsx';
import { useSystem } from '../../frame/preferences.tsx';
import { enter, useWaiting } from '../../outbox/use-outbox.ts';
import { Button } from '../../ui/button.tsx';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { OperationBlock } from './operation-block.tsx';
import { SharedCautions } from './shared-cautions.tsx';
import { ProveOut, type Sign } from './prove-out.tsx';
import { stepsNow } from './steps-of.ts';
import { BatchFactsCard } from './batch-facts-card.tsx';
import { ToolList } from './tool-list.tsx';
import { TrialDialog } from './trial-dialog.tsx';
import { correctionOf, draftFor, type TrialDraft } from './trial-draft.ts';
import { TrialList } from './trial-list.tsx';

function Head({ release, jobId }: { release: Release; jobId: string }) {
  const system = useSystem();
  const { job } = release.snapshot;
  return (
    <>
      <Crumbs trail={[{ label: job.number, to: `/jobs/${jobId}` }, { label: 'Setup sheet' }]} />
      <header className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-2xl">
            {job.number} {job.part}
          </h1>
          <p>
            <strong>Revision {release.revision}</strong>, released by {release.decidedBy} on{' '}
            {formatDay(release.decidedAt)}; qty {job.quantity}
            {job.heatLot && `, lot ${job.heatLot}`}
          </p>
        </div>
        <div className="no-print flex gap-2">
          <Button onClick={() => print()}>
            <Printer size={16} aria-hidden="true" /> Print
          </Button>
          {(['a4', 'letter'] as const).map((paper) => (
            <a
              key={paper}
              href={`/api/releases/${release.id}/sheet.pdf?paper=${paper}&units=${system}`}
              target="_blank"
              rel="noreferrer"
              className="inline-flex items-center gap-1.5 rounded-md border border-line bg-card px-3 py-1 font-semibold"
            >
              <FileDown size={15} aria-hidden="true" /> {paper === 'a4' ? 'A4' : 'Letter'}
            </a>
          ))}
        </div>
      </header>
    </>
  );
}

function Signatures({ release }: { release: Release }) {
  return (
    <section aria-label="Signatures" className="print-block rounded-xl border border-line bg-card p-4">
      <h2 className="mb-1">Signatures</h2>
      <p>
        Prepared by {release.requestedBy}, {formatDay(release.requestedAt)}. Released by {release.decidedBy},{' '}
        {formatDay(release.decidedAt)}
        {release.reason && `: “${release.reason}”`}
      </p>
      <p className="mt-4">Proved out by ______________________ Date ____________</p>
    </section>
  );
}

/** The first piece through all setups, each step signed. */
function FirstPieceProof({
  release,
  signed,
  waiting,
  onSign,
}: {
  release: Release;
  signed: readonly ProveOutRecord[];
  waiting: readonly ProveOutInput[];
  onSign: Sign;
}) {
  const system = useSystem();
  const { data: session } = useSession();
  const steps = firstPieceSteps(release.snapshot, system);
  if (steps.length === 0) return null;
  return (
    <div className="print-block rounded-xl border border-line bg-card p-4">
      <ProveOut
        name="First piece"
        steps={stepsNow(null, signed, waiting, session?.person?.name ?? '', steps)}
        onSign={onSign}
      />
    </div>
  );
}

/** What is open: a new trial of an operation, or the correction of one. */
interface Logging {
  readonly op: ReleasedOperation;
  readonly start: TrialDraft;
}

function Sheet({ release, jobId }: { release: Release; jobId: string }) {
  const { data: session } = useSession();
  const { data: logged, error: unread } = useTrialsOfJob(jobId);
  const trials = logged ?? [];
  const { data: signed = [] } = useProveOut(release.id);
  const waiting = useWaiting().filter((w) => w.refused === undefined);
  const [search] = useSearchParams();
  // A link of the bench opens the form of just that operation, once it is known which edges went before.
  const [linked, setLinked] = useState(search.get('log'));
  const [chosen, setLogging] = useState<Logging | null>(null);
  const me = session?.person ?? { id: '', name: '' };
  const { job, operations } = release.snapshot;
  const waitingSteps = waiting.flatMap((w) =>
    w.kind === 'step' && w.body.releaseId === release.id ? [w.body] : [],
  );
  const waitingTrials = waiting.flatMap((w) => (w.kind === 'trial' && w.jobId === jobId ? [w.body] : []));
  // What waits is already known here: the next trial goes on from it.
  const before = [...trials, ...waitingTrials.map((t) => ({ ...t, correctedBy: null }) as unknown as Trial)];

  const wanted = logged || unread ? operations.find((o) => o.operationId === linked) : undefined;
  const logging =
    chosen ?? (wanted ? { op: wanted, start: draftFor(release.id, wanted, job.heatLot, before) } : null);
  const close = (): void => {
    setLogging(null);
    setLinked(null);
  };

  async function sign(
    operationId: string | null,
    ...[{ step }, result, word, photo]: Parameters<Sign>
  ): Promise<void> {
    const id = newId();
    await enter({
      kind: 'step',
      id,
      jobId,
      personId: me.id,
      what: `Prove-out, ${step.id}`,
      body: {
        id,
        releaseId: release.id,
        operationId,
        step: step.id,
        result,
        word,
        at: new Date().toISOString(),
        photo,
      },
    });
  }

  async function log(op: ReleasedOperation, draft: TrialDraft): Promise<void> {
    const id = newId();
    const kept = await enter({
      kind: 'trial',
      id,
      jobId,
      personId: me.id,
      what: `Trial of ${op.name}`,
      body: { ...draft, id, at: draft.at ?? new Date().toISOString() },
    });
    if (!kept) return;
    close();
    toast.success('Logged.');
  }

  const signOf =
    (operationId: string | null): Sign =>
    (...said) =>
      void sign(operationId, ...said);
  const shared = sharedCautions(release.snapshot);
  const proofOf = (operationId: string | null) => stepsNow(operationId, signed, waitingSteps, me.name);

  return (
    <div className="mx-auto max-w-4xl space-y-4 p-4 text-[15px]">
      <Head release={release} jobId={jobId} />
      <ToolList operations={operations} quantity={job.quantity} />
      <BatchFactsCard snapshot={release.snapshot} />
      <div className="print-block rounded-xl border border-line bg-card p-4">
        <ProveOut name="Prove-out" steps={proofOf(null)} onSign={signOf(null)} />
      </div>
      <FirstPieceProof release={release} signed={signed} waiting={waitingSteps} onSign={signOf(null)} />
      <SharedCautions list={shared} />
      {operations.map((op, i) => (
        <OperationBlock key={op.operationId} op={op} number={i + 1} shared={shared}>
          <div className="mt-3 space-y-3 border-t border-line pt-3">
            <ProveOut
              name={`Prove-out of ${op.name}`}
              steps={proofOf(op.operationId)}
              onSign={signOf(op.operationId)}
            />
            <TrialList
              trials={trials.filter((t) => t.operationId === op.operationId)}
              waiting={waitingTrials.filter((t) => t.operationId === op.operationId)}
              onCorrect={(t) => setLogging({ op, start: correctionOf(t, op) })}
            />
            <Button
              look="main"
              className="no-print min-h-14 w-full text-[17px]"
              onClick={() => setLogging({ op, start: draftFor(release.id, op, job.heatLot, before) })}
            >
              <ClipboardPen size={20} aria-hidden="true" /> Log trial
              <span className="sr-only"> of {op.name}</span>
            </Button>
          </div>
        </OperationBlock>
      ))}
      <Signatures release={release} />
      {logging && (
        <TrialDialog
          op={logging.op}
          start={logging.start}
          onLog={(draft) => log(logging.op, draft)}
          onClose={close}
        />
      )}
    </div>
  );
}

/** The sheet in force, for a tablet at the machine: what to set, the prove-out to sign, trials to log. */
export default function FloorPage() {
  const { job: jobId = '' } = useParams();
  const { data: release, error } = useSheet(jobId);
  if (error && !release)
    return (
      <Failed
        what="the sheet"
        message={
          error.status === 404 ? 'Nothing is released for this job. Do not run from a draft.' : error.message
        }
      />
    );
  return release ? <Sheet release={release} jobId={jobId} /> : <Loading what="the sheet" />;
}
