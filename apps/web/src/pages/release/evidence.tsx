import {
  STATE_WORDS,
  type Difference,
  formatMeasure,
  type LimitResult,
  numberOf,
  KINDS,
  speak,
} from '@burl/core';
import type { ReleasedOperation } from '@burl/contract';
import { useSystem } from '../../frame/preferences.tsx';
import { StateMark, StateWord } from '../../ui/state-mark.tsx';

const plain = (value: unknown): string =>
  value === null || value === undefined
    ? 'none'
    : Array.isArray(value)
      ? value.join(', ') || 'none'
      : String(value);

/** Values that differ, before and after. */
export function Differences({ list }: { list: readonly Difference[] }) {
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
        <span className="font-semibold">{STATE_WORDS[limit.state]}</span>: {limit.name}.{' '}
        {speak(limit.why, system)}
      </span>
    </li>
  );
}

/** What an operation rests on: its numbers, what is not clear, what was measured and what is assumed. */
export function Evidence({ op, number }: { op: ReleasedOperation; number: number }) {
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
        {op.context.cutter.name} in {op.context.holder.name}, stick-out{' '}
        {formatMeasure(op.document.tooling.stickOutMm, 'mm', system)}; {op.document.coolant}
      </p>
      <dl className="mb-2 grid grid-cols-4 gap-2">
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
            <OpenLimit key={l.id} limit={l} />
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
