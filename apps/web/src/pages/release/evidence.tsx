import { amount, duration } from '../../judging/amount.ts';
import { shareOfParts } from '../../judging/hole-words.ts';
import {
  type BatchPlan,
  SEVERITY,
  STATE_WORDS,
  formatMeasure,
  type LimitResult,
  numberOf,
  fieldInWords,
  KINDS,
  speak,
  worseFirst,
} from '@burl/core';
import type { OperationDifference, ReleaseCheck, ReleasedOperation } from '@burl/contract';
import type { ReactNode } from 'react';
import { useSystem } from '../../frame/preferences.tsx';
import type { Ticks } from './use-ticks.ts';
import { StateMark, StateWord } from '../../ui/state-mark.tsx';

const plain = (value: unknown): string =>
  value === null || value === undefined
    ? 'none'
    : Array.isArray(value)
      ? value.join(', ') || 'none'
      : String(value);

/** What changed since the release before, in one table: where, what, from, to. */
export function Differences({ list }: { list: readonly OperationDifference[] }) {
  return (
    <table className="w-full text-[13px]">
      <thead>
        <tr className="border-b border-line text-left text-soft">
          <th className="py-0.5 pr-2 font-normal">Operation</th>
          <th className="pr-2 font-normal">What</th>
          <th className="pr-2 font-normal">Before</th>
          <th className="font-normal">Now</th>
        </tr>
      </thead>
      <tbody>
        {list.flatMap((o) =>
          o.differences.length === 0
            ? [
                <tr key={o.operationId} className="border-b border-line last:border-0">
                  <td className="py-0.5 pr-2">{o.name}</td>
                  <td colSpan={3} className="font-semibold">
                    {o.kind}
                  </td>
                </tr>,
              ]
            : o.differences.map((d) => (
                <tr
                  key={`${o.operationId} ${d.path}`}
                  className="border-b border-line align-top last:border-0"
                >
                  <td className="py-0.5 pr-2">{o.name}</td>
                  <td className="pr-2" title={d.path}>
                    {fieldInWords(d.path)}
                  </td>
                  <td className="pr-2 text-soft">{plain(d.before)}</td>
                  <td className="font-semibold">{plain(d.after)}</td>
                </tr>
              )),
        )}
      </tbody>
    </table>
  );
}

/** A tick beside what it speaks of; a mark only for those who may not tick. */
export function Tick({
  ticks,
  id,
  label,
  children,
}: {
  ticks: Ticks | null;
  id: string;
  label: string;
  children: ReactNode;
}) {
  if (!ticks?.tick) return <span className="flex gap-2">{children}</span>;
  const { tick } = ticks;
  return (
    <label className="flex cursor-pointer gap-2 rounded px-1 py-0.5 hover:bg-accent-soft touch:min-h-11">
      <input
        type="checkbox"
        aria-label={`Read: ${label}`}
        checked={ticks.ticked.has(id)}
        onChange={(e) => tick(id, e.target.checked)}
        className="mt-0.5 size-4 shrink-0"
      />
      {children}
    </label>
  );
}

function OpenLimit({ limit, ticks, id }: { limit: LimitResult; ticks: Ticks | null; id: string }) {
  const system = useSystem();
  return (
    <li>
      <Tick ticks={ticks} id={id} label={limit.name}>
        <span className="mt-0.5">
          <StateMark state={limit.state} />
        </span>
        <span>
          <span className="font-semibold">{STATE_WORDS[limit.state]}</span>: {limit.name}.{' '}
          {speak(limit.why, system)}
        </span>
      </Tick>
    </li>
  );
}

/** What an operation rests on: its numbers, what is not clear, what was measured and what is assumed. */
export function Evidence({
  op,
  number,
  ticks = null,
}: {
  op: ReleasedOperation;
  number: number;
  ticks?: Ticks | null;
}) {
  const system = useSystem();
  const open = op.evaluation.limits.filter((l) => l.state !== 'clear').sort(worseFirst);
  const checkOf = (limitId: string): string =>
    ticks?.checks.find((c) => c.operationId === op.operationId && c.limitId === limitId)?.id ?? limitId;
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
        {op.context.cutter.name} in {op.context.holder.name}, stick-out{' '}
        {formatMeasure(op.document.tooling.stickOutMm, 'mm', system)}; {op.document.coolant}
      </p>
      <dl className="mb-2 grid grid-cols-4 gap-2 max-[700px]:grid-cols-2">
        {[...KINDS[op.document.kind].shown.set, ...KINDS[op.document.kind].shown.watch].map((key) => {
          const q = numberOf(op.evaluation, key);
          return (
            <div key={key} className="rounded border border-line px-2 py-1">
              <dt className="text-[12px] text-soft first-letter:uppercase">{q.name}</dt>
              <dd className="font-semibold">{formatMeasure(q.value, q.unit, system)}</dd>
            </div>
          );
        })}
      </dl>
      {open.length ? (
        <ul className="mb-2 space-y-1">
          {open.map((l) => (
            <OpenLimit key={l.id} limit={l} ticks={ticks} id={checkOf(l.id)} />
          ))}
        </ul>
      ) : (
        <p className="mb-2">All {op.evaluation.limits.length} limits are clear at their 90% end.</p>
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

/** Operations worst first; those whose limits are all clear are a line each until somebody opens them. */
export function EvidenceList({
  operations,
  ticks,
}: {
  operations: readonly ReleasedOperation[];
  ticks: Ticks | null;
}) {
  const numbered = operations.map((op, i) => ({ op, number: i + 1 }));
  const open = numbered
    .filter(({ op }) => op.evaluation.state !== 'clear')
    .sort((a, b) => SEVERITY[b.op.evaluation.state] - SEVERITY[a.op.evaluation.state]);
  const clear = numbered.filter(({ op }) => op.evaluation.state === 'clear');
  return (
    <>
      {open.map(({ op, number }) => (
        <Evidence key={op.operationId} op={op} number={number} ticks={ticks} />
      ))}
      {clear.map(({ op, number }) => (
        <details key={op.operationId} className="rounded-lg border border-line bg-card">
          <summary className="flex cursor-pointer items-center justify-between gap-3 px-3 py-2 touch:min-h-11">
            <span>
              <b>
                {number} {op.name}
              </b>{' '}
              <span className="text-soft">
                {op.setup}, variant {op.variant}; all {op.evaluation.limits.length} limits clear
              </span>
            </span>
            <StateWord state="clear" />
          </summary>
          <Evidence op={op} number={number} ticks={ticks} />
        </details>
      ))}
    </>
  );
}

/** What the whole release rests on that nobody measured, and the measurement that would settle most. */
export function Guesses({ operations }: { operations: readonly ReleasedOperation[] }) {
  const guesses = new Map<string, { label: string; narrowBy: string; of: Set<string>; weight: number }>();
  for (const { name, evaluation } of operations)
    for (const s of evaluation.sources) {
      if (s.kind === 'measured') continue;
      const known = guesses.get(s.id) ?? {
        label: s.label,
        narrowBy: s.narrowBy ?? '',
        of: new Set<string>(),
        weight: 0,
      };
      known.of.add(name);
      known.weight += s.sigma ** 2;
      guesses.set(s.id, known);
    }
  const list = [...guesses.values()].sort((a, b) => b.weight - a.weight);
  const next = list.find((g) => g.narrowBy);
  const measured = operations.reduce(
    (n, o) => n + o.evaluation.sources.filter((s) => s.kind === 'measured').length,
    0,
  );
  return (
    <section aria-label="What rests on guesses" className="rounded-lg border border-line bg-card p-3">
      <h2>What rests on guesses</h2>
      <p>
        {measured} figures measured, {list.length} assumed or from the library.
        {next && (
          <>
            {' '}
            <b>One measurement settles most: {next.narrowBy}</b>; it bears on{' '}
            {next.of.size === operations.length ? 'every operation' : [...next.of].join(', ')}.
          </>
        )}
      </p>
      <details className="mt-1 text-[13px]">
        <summary className="cursor-pointer text-soft">All {list.length}, the widest first</summary>
        <ul className="mt-1 list-outside list-disc pl-4">
          {list.map((g) => (
            <li key={g.label}>
              {g.label} <span className="text-soft">({[...g.of].join(', ')})</span>
            </li>
          ))}
        </ul>
      </details>
    </section>
  );
}

/** Everything of one kind that has to be ticked. */
function TickList({ ticks, kind }: { ticks: Ticks; kind: ReleaseCheck['kind'] }) {
  return (
    <ul className="mt-1 space-y-0.5">
      {ticks.checks
        .filter((c) => c.kind === kind)
        .map((c) => (
          <li key={c.id}>
            <Tick ticks={ticks} id={c.id} label={c.text}>
              <span>{c.text}</span>
            </Tick>
          </li>
        ))}
    </ul>
  );
}

/** What of holding, first piece, distortion and shelf has to be seen, a tick beside each. */
export function BatchEvidence({ ticks, batch }: { ticks: Ticks; batch: BatchPlan | undefined }) {
  if (!batch) return null;
  const { minutes, money, risk } = batch;
  return (
    <section aria-label="Batch" className="rounded-lg border border-line bg-card p-3">
      <h2 className="mb-1">Batch</h2>
      <p className="text-[13px]">
        {duration(minutes.perPart)} and {amount(money.perPart, money.currency)} a part;{' '}
        {duration(minutes.batch)} and {amount(money.batch, money.currency)} for {minutes.blanks} blanks;{' '}
        {shareOfParts(risk.lost)} of parts expected to be lost.
      </p>
      <TickList ticks={ticks} kind="batch" />
    </section>
  );
}

/** Cautions of all operations, each once. */
export function Cautions({ ticks }: { ticks: Ticks }) {
  if (!ticks.checks.some((c) => c.kind === 'caution')) return null;
  return (
    <section aria-label="Cautions" className="rounded-lg border border-line bg-card p-3">
      <h2 className="mb-1">Cautions</h2>
      <TickList ticks={ticks} kind="caution" />
    </section>
  );
}
