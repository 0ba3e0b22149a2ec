import {
  STATE_WORDS,
  formatMeasure,
  holeSentence,
  isHole,
  numberOf,
  KINDS,
  speak,
  stepNotes,
  formatDay,
} from '@burl/core';
import type { ReleasedOperation } from '@burl/contract';
import { FileDown, Printer } from 'lucide-react';
import { useParams } from 'react-router';
import { useSheet } from '../../api/hooks.ts';
import { Crumbs } from '../../frame/crumbs.tsx';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { StateMark } from '../../ui/state-mark.tsx';

const PROVE_OUT = [
  'Right program, right work offset, right tool number and length; the tool in the spindle is the one on this sheet.',
  'Rapid override low, single block, feed override at 0%, hand on feed hold; dry run above the part first.',
  'First approach with coolant off so you can see the tool; coolant on before contact.',
  'Take half the depth first rather than half the feed: a thin chip rubs and hardens the surface.',
  'Listen. Stop at squeal, sparks, blue chips, or a load 30% above what is stated.',
] as const;

function Block({ op, number }: { op: ReleasedOperation; number: number }) {
  const system = useSystem();
  const { evaluation, document, context } = op;
  const open = evaluation.limits.filter((l) => l.state !== 'clear');
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  return (
    <article className="print-block rounded-xl border border-line bg-card p-4">
      <h2 className="text-xl">
        {number} {op.name} <span className="text-base font-normal text-soft">{op.setup}</span>
      </h2>
      <p>
        {context.alloy.name},{' '}
        {document.measured.hardness === null
          ? 'hardness not measured'
          : `${document.measured.hardness} ${context.alloy.hardness.scale} measured`}
        ; {context.machine.name}
      </p>
      <p className="mb-2">
        {context.cutter.name} in {context.holder.name},{' '}
        <strong>stick-out {mm(document.tooling.stickOutMm)}</strong>; coolant {document.coolant}
      </p>
      <dl className="mb-2 grid grid-cols-2 gap-2 sm:grid-cols-4">
        {KINDS[document.kind].shown.set.map((key) => {
          const q = numberOf(evaluation, key);
          return (
            <div key={key} className="rounded-lg border border-line px-3 py-1.5">
              <dt className="text-[13px] text-soft">
                {q.symbol} {q.name}
              </dt>
              <dd className="text-[26px] leading-8 font-bold">{formatMeasure(q.value, q.unit, system)}</dd>
            </div>
          );
        })}
      </dl>
      <p className="mb-2 flex flex-wrap gap-x-5">
        {KINDS[document.kind].shown.watch.map((key) => {
          const q = numberOf(evaluation, key);
          return (
            <span key={key}>
              <span className="inline-block first-letter:uppercase text-soft">{q.name}</span>{' '}
              <strong>{formatMeasure(q.value, q.unit, system)}</strong>
            </span>
          );
        })}
      </p>
      {isHole(document) && (
        <p className="mb-2">
          {speak(holeSentence(document), system)}.{' '}
          {stepNotes(document)
            .map((n) => speak(n, system))
            .join(' ')}
        </p>
      )}
      {evaluation.pecks.length > 1 && (
        <p className="mb-2">
          Pecks to {evaluation.pecks.map((k) => mm(k.toMm)).join(', ')};{' '}
          {evaluation.pecks[0]!.retract === 'full' ? 'full retract' : 'a chip-break retract'} between.
        </p>
      )}
      {open.length > 0 && (
        <ul className="mb-2 space-y-1">
          {open.map((l) => (
            <li key={l.id} className="flex gap-2">
              <span className="mt-1">
                <StateMark state={l.state} />
              </span>
              <span>
                <strong>{STATE_WORDS[l.state]}</strong>: {speak(l.why, system)}
              </span>
            </li>
          ))}
        </ul>
      )}
      <section aria-label={`Cautions of ${op.name}`} className="rounded-lg border-2 border-tight p-2.5">
        <h3>Cautions</h3>
        <ul className="list-disc pl-5">
          {evaluation.cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
      </section>
      {document.notes && <p className="mt-2">Note: {document.notes}</p>}
    </article>
  );
}

/** The sheet in force, for a tablet at the machine: big and read-only. */
export default function FloorPage() {
  const { job: jobId = '' } = useParams();
  const system = useSystem();
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
  if (!release) return <Loading what="the sheet" />;
  const { job, operations } = release.snapshot;
  return (
    <div className="mx-auto max-w-4xl space-y-4 p-4 text-[15px]">
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
      <section aria-label="Prove-out" className="print-block rounded-xl border border-line bg-card p-4">
        <h2 className="mb-1">Prove-out</h2>
        <ol className="list-decimal space-y-1 pl-5">
          {PROVE_OUT.map((step) => (
            <li key={step}>{step}</li>
          ))}
        </ol>
      </section>
      {operations.map((op, i) => (
        <Block key={op.operationId} op={op} number={i + 1} />
      ))}
      <section aria-label="Signatures" className="print-block rounded-xl border border-line bg-card p-4">
        <h2 className="mb-1">Signatures</h2>
        <p>
          Prepared by {release.requestedBy}, {formatDay(release.requestedAt)}. Released by {release.decidedBy}
          , {formatDay(release.decidedAt)}
          {release.reason && `: “${release.reason}”`}
        </p>
        <p className="mt-4">Proved out by ______________________ Date ____________</p>
      </section>
    </div>
  );
}
