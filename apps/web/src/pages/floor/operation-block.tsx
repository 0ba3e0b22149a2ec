import { formatMeasure, KINDS, numberOf, setterFacts, speak, STATE_WORDS } from '@burl/core';
import type { ReleasedOperation } from '@burl/contract';
import type { ReactNode } from 'react';
import { useSystem } from '../../frame/preferences.tsx';
import { StateMark } from '../../ui/state-mark.tsx';

/** Tool, holder, pocket, program: what has to be right before anything moves. */
function AtMachine({ op }: { op: ReleasedOperation }) {
  const system = useSystem();
  const mm = (v: number): string => formatMeasure(v, 'mm', system);
  const { context, document, atMachine } = op;
  const cells: readonly (readonly [string, string])[] = [
    ['Pocket', atMachine?.pocket ? `T${atMachine.pocket}` : 'not entered'],
    [
      'Gauge length',
      typeof atMachine?.gaugeLengthMm === 'number' ? mm(atMachine.gaugeLengthMm) : 'measure at the machine',
    ],
    ['Stick-out', mm(document.tooling.stickOutMm)],
    ['Work offset', atMachine?.workOffset || 'not entered'],
    [
      'Program',
      atMachine?.program
        ? `${atMachine.program}${atMachine.programRevision ? ` rev ${atMachine.programRevision}` : ''}`
        : 'not entered',
    ],
  ];
  return (
    <>
      <p className="mb-1">
        <strong>{context.cutter.name}</strong> in {context.holder.name}; coolant {document.coolant}
      </p>
      <dl className="mb-2 flex flex-wrap gap-x-6 gap-y-1">
        {cells.map(([name, value]) => (
          <div key={name}>
            <dt className="text-[13px] text-soft">{name}</dt>
            <dd className="font-semibold">{value}</dd>
          </div>
        ))}
      </dl>
    </>
  );
}

/** An operation of the sheet: what to set, large; what to know; what is not clear; cautions. */
export function OperationBlock({
  op,
  number,
  shared = [],
  children,
}: {
  op: ReleasedOperation;
  number: number;
  /** Cautions that every operation of the sheet carries. */
  shared?: readonly string[];
  children?: ReactNode;
}) {
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
      <AtMachine op={op} />
      <dl className="mb-2 grid grid-cols-2 gap-2 sm:grid-cols-4">
        {KINDS[document.kind].shown.set.map((key) => {
          const q = numberOf(evaluation, key);
          return (
            <div key={key} className="rounded-lg border border-line px-3 py-1.5">
              <dt className="text-[13px] text-soft">
                {q.symbol} {q.name}
              </dt>
              <dd className="text-[26px] leading-8 font-bold max-sm:text-[21px]">
                {formatMeasure(q.value, q.unit, system)}
              </dd>
            </div>
          );
        })}
      </dl>
      <dl aria-label={`To know for ${op.name}`} className="mb-2 grid gap-x-6 sm:grid-cols-2">
        {setterFacts(document, context, evaluation).map((f) => (
          <div key={`${f.name} ${f.text.text}`} className="flex gap-2 border-b border-line py-1">
            <dt className="w-28 shrink-0 text-soft">{f.name}</dt>
            <dd className={f.name === 'Change the edge' ? 'font-bold' : ''}>{speak(f.text, system)}</dd>
          </div>
        ))}
      </dl>
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
      <section
        aria-label={`Cautions of ${op.name}`}
        // On paper what every operation carries is told once, at the top.
        className={`rounded-lg border-2 border-tight p-2.5 ${evaluation.cautions.every((c) => shared.includes(c)) ? 'print:hidden' : ''}`}
      >
        <h3>Cautions</h3>
        <ul className="list-disc pl-5">
          {evaluation.cautions.map((c) => (
            <li key={c} className={shared.includes(c) ? 'print:hidden' : ''}>
              {c}
            </li>
          ))}
        </ul>
      </section>
      {document.notes && <p className="mt-2">Note: {document.notes}</p>}
      {children}
    </article>
  );
}
