import { type Evaluation, formatMeasure, limitOf, type Operation, type Quantity, speak } from '@burl/core';
import type { Batch, Crib, JobOperation } from '@burl/contract';
import { type ReactNode, useMemo, useState } from 'react';
import { useSystem } from '../../../frame/preferences.tsx';
import { contextOf } from '../../../judging/context.ts';
import { judge } from '../../../judging/judgement.ts';
import { Button } from '../../../ui/button.tsx';
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

/** Whether more of a number is better, where anybody would say so; a setting is neither. */
const BETTER: Readonly<Record<string, 'more' | 'less'>> = {
  Q: 'more',
  T: 'more',
  t: 'less',
  cost: 'less',
  lean: 'less',
  theta: 'less',
  F: 'less',
};

/** The difference to the chosen variant with its sign, and whether it is for the better. */
function DifferenceWord({ quantity, from }: { quantity: Quantity; from: number }) {
  const { key, value } = quantity;
  const percent = from !== 0 ? (100 * (value - from)) / Math.abs(from) : 0;
  const size = Math.abs(percent) < 10 ? Math.abs(percent).toFixed(1) : Math.abs(percent).toFixed(0);
  const sense = BETTER[key];
  const better = sense && value > from === (sense === 'more');
  return (
    <span className="ml-1.5 text-[12.5px] font-normal whitespace-nowrap">
      {Math.abs(percent) > 300 && 'over '}
      {percent > 0 ? '+' : '−'}
      {Math.abs(percent) > 300 ? 300 : size}%
      {sense && (
        <b className={`ml-1 ${better ? 'text-clear' : 'text-over'}`}>{better ? '▲ better' : '▼ worse'}</b>
      )}
    </span>
  );
}

/** What governs each variant. */
function GovernedRow({ columns }: { columns: readonly Column[] }) {
  const system = useSystem();
  return (
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
  );
}

/** Variants of an operation side by side; only what differs, by how much and whether for the better. */
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
  const [equalToo, setEqualToo] = useState(false);
  const cell = (text: string, differs: boolean, label: string, difference?: ReactNode) => (
    <td key={label} className={`border-l border-line p-1.5 ${differs ? 'bg-accent-soft font-semibold' : ''}`}>
      {text}
      {differs && (difference ?? <span className="sr-only"> differs</span>)}
    </td>
  );
  const differsIn = (row: number): boolean =>
    columns.some((c) => c.names[row]?.[1] !== chosen.names[row]?.[1]);
  const numberIn = (c: Column, key: string) => c.evaluation?.numbers.find((x) => x.key === key);
  const differsBy = (key: string): boolean => {
    const own = numberIn(chosen, key);
    return columns.some((c) => {
      const q = numberIn(c, key);
      return own !== undefined && q !== undefined && !same(q.value, own.value);
    });
  };
  const names = chosen.names.map(([name, value], row) => ({ name, value, row, differs: differsIn(row) }));
  const numbers = keys.map((k) => ({ k, differs: differsBy(k.key) }));
  const equal = [...names, ...numbers].filter((r) => !r.differs).length;
  return (
    <section aria-label="Variants side by side" className="space-y-3">
      <h2 className="text-[16px]">
        Variants of {operation.name}: what differs from {chosen.label}
      </h2>
      {columns.length === 1 && (
        <p className="text-soft">
          There is one variant only. The plus beside the letters copies it; what is changed then shows here.
        </p>
      )}
      <div className="overflow-x-auto">
        <table className="w-full min-w-[600px] table-fixed border-collapse rounded-lg border border-line bg-card">
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
            <GovernedRow columns={columns} />
            {names
              .filter((r) => equalToo || r.differs)
              .map(({ name, value, row }) => (
                <tr key={name} className="border-t border-line">
                  <th scope="row" className="p-1.5 text-left text-[13px] font-normal text-soft">
                    {name}
                  </th>
                  {columns.map((c) => cell(c.names[row]?.[1] ?? '–', c.names[row]?.[1] !== value, c.label))}
                </tr>
              ))}
            {numbers
              .filter((r) => equalToo || r.differs)
              .map(({ k }) => (
                <tr key={k.key} className="border-t border-line">
                  <th scope="row" className="p-1.5 text-left text-[13px] font-normal text-soft">
                    {k.name}
                  </th>
                  {columns.map((c) => {
                    const q = numberIn(c, k.key);
                    const differs = q !== undefined && !same(q.value, k.value);
                    return cell(
                      q ? formatMeasure(q.value, q.unit, system) : '–',
                      differs,
                      c.label,
                      q && <DifferenceWord quantity={q} from={k.value} />,
                    );
                  })}
                </tr>
              ))}
          </tbody>
        </table>
      </div>
      {columns.length > 1 && equal > 0 && (
        <Button aria-pressed={equalToo} onClick={() => setEqualToo(!equalToo)}>
          {equalToo ? 'Hide equal rows' : `Show ${equal} equal rows`}
        </Button>
      )}
    </section>
  );
}
