import { type Evaluation, formatMeasure, limitOf, type Operation, speak } from '@burl/core';
import type { Batch, Crib, JobOperation } from '@burl/contract';
import { useMemo } from 'react';
import { useSystem } from '../../../frame/preferences.tsx';
import { contextOf } from '../../../judging/context.ts';
import { judge } from '../../../judging/judgement.ts';
import { StateWord } from '../../../ui/state-mark.tsx';

interface Column {
  readonly label: string;
  readonly document: Operation;
  readonly evaluation: Evaluation | null;
  readonly names: readonly (readonly [string, string])[];
}

/** What a person would call the set-up of a variant, for the lines that are not numbers. */
function namesOf(op: Operation, crib: Crib): (readonly [string, string])[] {
  const name = (
    list: Crib['alloys'] | Crib['machines'] | Crib['cutters'] | Crib['holders'],
    id: string,
  ): string => list.find((e) => e.id === id)?.document.name ?? id;
  const common: (readonly [string, string])[] = [
    ['Alloy', name(crib.alloys, op.alloyId)],
    ['Machine', name(crib.machines, op.machineId)],
    ['Cutter', name(crib.cutters, op.tooling.cutterId)],
    ['Holder', name(crib.holders, op.tooling.holderId)],
    ['Coolant', op.coolant],
  ];
  return 'path' in op
    ? [
        ...common,
        ['Strategy', op.path.strategy.replace('-', ' ')],
        ['Entry', op.path.entry.method],
        ['Direction', op.cut.direction],
      ]
    : common;
}

/** Variants of an operation side by side; what differs from the chosen one is marked by sign, weight and tint. */
export default function VariantsView({
  operation,
  current,
  crib,
  batch,
}: {
  operation: JobOperation;
  /** The chosen variant as it stands on the bench, saved or not. */
  current: Operation;
  crib: Crib;
  batch: Batch;
}) {
  const system = useSystem();
  const columns = useMemo<Column[]>(
    () =>
      operation.variants.map((v) => {
        const document = v.label === operation.selected ? current : v.document;
        return {
          label: v.label,
          document,
          evaluation: judge(document, contextOf(crib, document, batch)).evaluation,
          names: namesOf(document, crib),
        };
      }),
    [operation, current, crib, batch],
  );
  const chosen = columns.find((c) => c.label === operation.selected) ?? columns[0]!;
  const keys = chosen.evaluation?.numbers ?? [];
  const same = (a: number, b: number): boolean =>
    Math.abs(a - b) <= 0.002 * Math.max(Math.abs(a), Math.abs(b));
  const cell = (text: string, differs: boolean, label: string) => (
    <td key={label} className={`border-l border-line p-1.5 ${differs ? 'bg-accent-soft font-semibold' : ''}`}>
      {differs && (
        <span aria-hidden="true" className="mr-1 text-accent">
          ≠
        </span>
      )}
      {text}
      {differs && <span className="sr-only"> differs</span>}
    </td>
  );
  return (
    <section aria-label="Variants side by side" className="space-y-3">
      <h2 className="text-[16px]">
        Variants of {operation.name}; differences from {chosen.label} are marked
      </h2>
      {columns.length === 1 && (
        <p className="text-soft">
          There is one variant only. The plus beside the letters copies it; what is changed then shows here.
        </p>
      )}
      <div className="overflow-x-auto">
        <table className="w-full table-fixed border-collapse rounded-lg border border-line bg-card">
          <thead>
            <tr>
              <td className="w-44 p-1.5" />
              {columns.map((c) => (
                <th key={c.label} scope="col" className="border-l border-line p-1.5 text-left">
                  <span className="text-[17px]">{c.label}</span>
                  {c.label === chosen.label && <span className="ml-1.5 font-normal text-soft">chosen</span>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <tr className="border-t border-line align-top">
              <th scope="row" className="p-1.5 text-left text-[13px] font-normal text-soft">
                Governed by
              </th>
              {columns.map((c) => {
                const limit = c.evaluation && limitOf(c.evaluation, c.evaluation.governing);
                return (
                  <td key={c.label} className="border-l border-line p-1.5">
                    {limit ? (
                      <>
                        <StateWord state={limit.state} /> <b>{limit.name}</b>
                        <span className="block text-[12.5px] text-soft">{speak(limit.why, system)}</span>
                      </>
                    ) : (
                      'cannot be cut as entered'
                    )}
                  </td>
                );
              })}
            </tr>
            {chosen.names.map(([name, value], row) => (
              <tr key={name} className="border-t border-line">
                <th scope="row" className="p-1.5 text-left text-[13px] font-normal text-soft">
                  {name}
                </th>
                {columns.map((c) => cell(c.names[row]?.[1] ?? '–', c.names[row]?.[1] !== value, c.label))}
              </tr>
            ))}
            {keys.map((k) => (
              <tr key={k.key} className="border-t border-line">
                <th scope="row" className="p-1.5 text-left text-[13px] font-normal text-soft">
                  {k.name}
                </th>
                {columns.map((c) => {
                  const q = c.evaluation?.numbers.find((x) => x.key === k.key);
                  return cell(
                    q ? formatMeasure(q.value, q.unit, system) : '–',
                    q !== undefined && !same(q.value, k.value),
                    c.label,
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
