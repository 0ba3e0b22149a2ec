import { counted, formatMeasure } from '@burl/core';
import type { FitQuestion, FittedNumber, FitTrial, LeftOut, Proposal } from '@burl/contract';
import { format } from 'date-fns';
import { useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import useSWR, { mutate } from 'swr';
import { type ApiError, call, messageOf } from '../../api/client.ts';
import { isJobList } from '../../api/hooks.ts';
import { useSystem } from '../../frame/preferences.tsx';
import { Button } from '../../ui/button.tsx';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import { Failed, Loading } from '../../ui/page-states.tsx';
import { ReasonDialog } from '../../ui/reason-dialog.tsx';
import { StateWord } from '../../ui/state-mark.tsx';
import type { CribNames } from './crib-names.ts';

const figures = (v: number): string =>
  v >= 1000
    ? Math.round(v).toLocaleString('en-GB')
    : v < 10
      ? v.toFixed(2)
      : String(Number(v.toPrecision(2)));

/** Life beyond which nobody has tried, minutes. */
const LONGEST_MIN = 600;
const shown = (v: number, unit: string): string =>
  unit === 'min' && v > LONGEST_MIN ? `${LONGEST_MIN}+` : figures(v);

const withBand = ([low, value, high]: FittedNumber['before'], unit: string): string =>
  `${shown(value, unit)}${unit ? ` ${unit}` : ''} (${shown(low, unit)}–${shown(high, unit)})`;

/** Ids of machines inside a name become the names of the shop. */
const named = (name: string, names: CribNames): string => {
  const [what, id] = name.split(', ');
  return id === undefined ? name : `${what}, ${names.machine(id)}`;
};

function Numbers({ proposal, names }: { proposal: Proposal; names: CribNames }) {
  return (
    <table className="w-full text-left">
      <thead className="text-[13px] text-soft">
        <tr>
          <th className="font-normal">Constant (90% band)</th>
          <th className="font-normal">Library</th>
          <th className="font-normal">From these trials</th>
        </tr>
      </thead>
      <tbody>
        {proposal.numbers.map((n) => (
          <tr key={n.name} className="border-t border-line">
            <th scope="row" className="py-1 pr-3 font-normal">
              {named(n.name, names)}
            </th>
            <td className="py-1 pr-3 text-soft">{withBand(n.before, n.unit)}</td>
            <td className="py-1 font-semibold">{withBand(n.after, n.unit)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Lots({ proposal }: { proposal: Proposal }) {
  if (proposal.lots.length < 1) return null;
  return (
    <ul className="mt-2 space-y-0.5">
      {proposal.lots.map((l) => (
        <li key={l.heatLot} className={l.departs ? 'font-semibold text-over' : 'text-soft'}>
          Lot {l.heatLot}: {proposal.question.kind === 'life' ? 'speed' : 'force'} {figures(l.factor[1])} ×
          the alloy’s ({figures(l.factor[0])}–{figures(l.factor[2])}), {counted(l.trials, 'trial')}
          {l.departs && ': this lot departs from its alloy'}
        </li>
      ))}
    </ul>
  );
}

function Changes({ proposal }: { proposal: Proposal }) {
  const system = useSystem();
  const life = (v: number | null): string => (v === null ? '–' : formatMeasure(v, 'min-life', system));
  if (proposal.changes.length === 0)
    return (
      <p className="text-soft">
        None of the {proposal.judged} operations of open jobs with this alloy would change.
      </p>
    );
  return (
    <table className="w-full text-left">
      <thead className="text-[13px] text-soft">
        <tr>
          <th className="font-normal">Operation</th>
          <th className="font-normal">Now</th>
          <th className="font-normal">Then</th>
          <th className="font-normal">Tool life</th>
        </tr>
      </thead>
      <tbody>
        {proposal.changes.map((c) => (
          <tr key={c.operationId} className="border-t border-line">
            <td className="py-1 pr-3">
              <Link
                to={`/jobs/${c.jobId}/ops/${c.operationId}`}
                className="font-semibold text-accent underline"
              >
                {c.jobNumber} {c.operation}
              </Link>
            </td>
            <td className="py-1 pr-3">
              <StateWord state={c.before} />
            </td>
            <td className="py-1 pr-3">
              <StateWord state={c.after} />
              {c.after !== 'clear' && <span className="text-soft"> {c.limit}</span>}
            </td>
            <td className="py-1">
              {life(c.lifeBefore)} → {life(c.lifeAfter)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function TrialsOfFit({
  proposal,
  onLeave,
  onBack,
}: {
  proposal: Proposal;
  onLeave: (trial: FitTrial) => void;
  onBack: (trial: FitTrial) => void;
}) {
  const system = useSystem();
  const [all, setAll] = useState(false);
  // What was left out stays in sight, so that it can be counted again.
  const byTrust = [...proposal.trials].sort(
    (a, b) =>
      Number(b.leftOut !== null) - Number(a.leftOut !== null) ||
      Number(b.outlier) - Number(a.outlier) ||
      Math.abs(b.z ?? 0) - Math.abs(a.z ?? 0),
  );
  const shown = all ? byTrust : byTrust.slice(0, 8);
  const load = proposal.question.kind === 'load';
  return (
    <>
      <ul className="divide-y divide-line">
        {shown.map((f) => (
          <li key={f.trial.id} className="flex flex-wrap items-center gap-x-3 py-1">
            <span className={`flex-1 ${f.leftOut ? 'text-soft line-through' : ''}`}>
              {format(new Date(f.trial.at), 'd MMM yyyy')}, {f.trial.jobNumber} {f.trial.operation}, edge{' '}
              {f.trial.edge}:{' '}
              {load
                ? `load ${f.trial.loadPercent}%`
                : `${f.trial.ending} after ${formatMeasure(f.trial.minutes, 'min-life', system)} at ${formatMeasure(f.trial.cuttingSpeedMMin, 'm/min', system)}`}
              {f.trial.heatLot && `, lot ${f.trial.heatLot}`}
            </span>
            {f.leftOut && <span className="text-soft">left out: {f.leftOut}</span>}
            {f.outlier && <strong className="text-over">outlier</strong>}
            {f.z !== null && (
              <span className="w-20 text-right text-soft tabular-nums">
                {f.z >= 0 ? '+' : '−'}
                {Math.abs(f.z).toFixed(1)} σ
              </span>
            )}
            {f.leftOut ? (
              <Button onClick={() => onBack(f)}>Count again</Button>
            ) : (
              <Button onClick={() => onLeave(f)}>Leave out</Button>
            )}
          </li>
        ))}
      </ul>
      {byTrust.length > shown.length && (
        <Button className="mt-1" onClick={() => setAll(true)}>
          Show all {byTrust.length}
        </Button>
      )}
    </>
  );
}

/** What the trials of one alloy and edge family propose, held against the open jobs. */
export function ProposalCard({
  chosen,
  names,
  edit,
}: {
  chosen: Pick<FitQuestion, 'kind' | 'alloyId' | 'edgeFamily'>;
  names: CribNames;
  edit: boolean;
}) {
  const [leftOut, setLeftOut] = useState<readonly LeftOut[]>([]);
  const [leaving, setLeaving] = useState<FitTrial | null>(null);
  const [note, setNote] = useState('');
  const [busy, setBusy] = useState(false);
  const question: FitQuestion = { ...chosen, leftOut };
  const {
    data: proposal,
    error,
    mutate: again,
  } = useSWR<Proposal, ApiError>(
    ['/api/fits', JSON.stringify(question)],
    () => call('POST', '/api/fits', {}, question),
    { keepPreviousData: true, shouldRetryOnError: false },
  );
  async function accept(): Promise<void> {
    if (!proposal) return;
    setBusy(true);
    try {
      await call('POST', '/api/learnt', {}, { ...question, stamp: proposal.stamp, note: note.trim() });
      await Promise.all([mutate('/api/learnt'), mutate('/api/crib'), mutate(isJobList)]);
      await again();
      toast.success('Accepted: measured here from now on.');
    } catch (e) {
      await again();
      toast.error(messageOf(e));
    } finally {
      setBusy(false);
    }
  }
  const title =
    chosen.kind === 'life'
      ? `Tool life of ${names.family(chosen.edgeFamily)} in ${names.alloy(chosen.alloyId)}`
      : `Cutting force of ${names.alloy(chosen.alloyId)}, from load meters`;
  if (error && !proposal) return <Failed what="a proposal" message={error.message} />;
  if (!proposal) return <Loading what="the proposal" />;
  const resting = proposal.trials.filter((t) => t.leftOut === null).length;
  return (
    <section aria-label="Proposal" className="space-y-3 rounded-xl border border-line bg-card p-4">
      <div>
        <h2 className="text-lg">{title}</h2>
        <p className="text-soft">
          Proposal from {counted(resting, 'trial')}
          {leftOut.length > 0 && `, ${leftOut.length} left out`}. Nothing counts before it is accepted.
        </p>
      </div>
      <Numbers proposal={proposal} names={names} />
      <Lots proposal={proposal} />
      <div>
        <h3 className="font-semibold">What it would change</h3>
        <Changes proposal={proposal} />
      </div>
      <div>
        <h3 className="font-semibold">Trials it rests on</h3>
        <TrialsOfFit
          proposal={proposal}
          onLeave={setLeaving}
          onBack={(f) => setLeftOut(leftOut.filter((l) => l.trial !== f.trial.id))}
        />
      </div>
      {edit && proposal.constants.length > 0 && (
        <form
          className="flex flex-wrap items-end gap-3 border-t border-line pt-3"
          onSubmit={(e) => {
            e.preventDefault();
            void accept();
          }}
        >
          <div className="min-w-60 flex-1">
            <Field label="Note">
              {(p) => (
                <input
                  {...p}
                  value={note}
                  maxLength={2000}
                  onChange={(e) => setNote(e.target.value)}
                  className={FIELD_LOOK}
                />
              )}
            </Field>
          </div>
          <Button look="main" type="submit" disabled={busy}>
            Accept as measured here
          </Button>
        </form>
      )}
      {leaving && (
        <ReasonDialog
          title="Leave this trial out: why?"
          label="Reason"
          hint="Stands with the constant when it is accepted."
          does="Leave out"
          onClose={() => setLeaving(null)}
          onSay={(reason) => {
            setLeftOut([...leftOut, { trial: leaving.trial.id, reason }]);
            setLeaving(null);
          }}
        >
          <p className="text-soft">
            {leaving.trial.operation}, {format(new Date(leaving.trial.at), 'd MMM yyyy HH:mm')}:{' '}
            {leaving.trial.ending}
          </p>
        </ReasonDialog>
      )}
    </section>
  );
}
