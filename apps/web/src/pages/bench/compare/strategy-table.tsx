import {
  type Aspect,
  type Cutter,
  ENTRY_METHODS,
  type EntryMethod,
  isLaidOut,
  type MillingOperation,
  type OperationContext,
  STRATEGY_IDS,
  type StrategyId,
  strategyName,
} from '@burl/core';
import { X } from 'lucide-react';
import type { ReactNode } from 'react';
import { Button } from '../../../ui/button.tsx';
import { HeavyState } from '../../../workers/heavy-state.tsx';
import type { Heavy } from '../../../workers/use-heavy.ts';
import type { Line } from './strategy-lines.tsx';
import type { Asked, Row } from './use-layouts.ts';

const ENTRY_WORDS: Readonly<Record<EntryMethod, string>> = {
  outside: 'the side',
  helix: 'helix',
  ramp: 'ramp',
  plunge: 'plunge',
  predrilled: 'a drilled hole',
};

const LOOK = 'min-h-8 w-full rounded-md border border-line bg-raised px-1';

/** What a column is: its strategy, its cutter, and how far it is worked out. */
function ColumnHead({
  number,
  asked,
  heavy,
  cutters,
  onChange,
  onRemove,
  children,
}: {
  number: number;
  asked: Asked;
  heavy: Heavy<Row> | undefined;
  cutters: readonly { readonly id: string; readonly name: string }[];
  onChange: (next: Partial<Asked>) => void;
  /** Null where it is the only one. */
  onRemove: (() => void) | null;
  /** What can be done with it. */
  children: ReactNode;
}) {
  return (
    <th scope="col" className="border-l border-line p-2 text-left font-normal">
      <span className="flex items-center gap-1">
        <select
          aria-label={`Strategy of column ${number}`}
          value={asked.strategy}
          onChange={(e) => onChange({ strategy: e.target.value as StrategyId })}
          className={`${LOOK} font-semibold`}
        >
          {STRATEGY_IDS.map((s) => (
            <option key={s} value={s}>
              {strategyName[s]}
            </option>
          ))}
        </select>
        {onRemove && (
          <Button look="quiet" className="px-1.5" aria-label={`Remove column ${number}`} onClick={onRemove}>
            <X size={14} aria-hidden="true" />
          </Button>
        )}
      </span>
      <select
        aria-label={`Cutter of column ${number}`}
        value={asked.cutterId}
        onChange={(e) => onChange({ cutterId: e.target.value })}
        className={`${LOOK} mt-1`}
      >
        {cutters.map((c) => (
          <option key={c.id} value={c.id}>
            {c.name}
          </option>
        ))}
      </select>
      <select
        aria-label={`Entry of column ${number}`}
        value={asked.entry ?? ''}
        onChange={(e) => onChange({ entry: (e.target.value || undefined) as EntryMethod | undefined })}
        className={`${LOOK} mt-1`}
      >
        <option value="">best way in</option>
        {ENTRY_METHODS.map((m) => (
          <option key={m} value={m}>
            in by {ENTRY_WORDS[m]}
          </option>
        ))}
      </select>
      {heavy?.busy && (
        <div className="mt-1">
          <HeavyState what={strategyName[asked.strategy].toLowerCase()} heavy={heavy} />
        </div>
      )}
      {children}
    </th>
  );
}

/** What is done with a column once it is worked out: always in view. */
function Uses({
  number,
  column,
  readOnly,
  onTake,
  onKeep,
}: {
  number: number;
  column: Heavy<Row> | undefined;
  readOnly: boolean;
  onTake: (next: MillingOperation) => void;
  onKeep: (next: MillingOperation) => void;
}) {
  const row = column?.data;
  if (!column || !row || !isLaidOut(row)) return null;
  const disabled = readOnly || column.busy;
  return (
    <span className="mt-1.5 flex flex-wrap gap-1.5">
      <Button
        look="main"
        disabled={disabled}
        aria-label={`Use column ${number} in the operation`}
        onClick={() => onTake(row.operation)}
      >
        Use
      </Button>
      <Button
        disabled={disabled}
        aria-label={`Keep column ${number} as a variant`}
        onClick={() => onKeep(row.operation)}
      >
        Keep as variant
      </Button>
    </span>
  );
}

/** Why a column has nothing to show. */
function Refusal({ context, row }: { context: OperationContext | null; row: Row | null }): ReactNode {
  if (context === null)
    return <p className="text-over">No holder in the crib takes this cutter on this spindle.</p>;
  return row && !isLaidOut(row) ? <p className="text-over">Not possible: {row.impossible}.</p> : '';
}

/** Columns side by side, line by line; what is best in a line is said and tinted. */
export function StrategyTable({
  asked,
  contexts,
  columns,
  lines,
  cutters,
  group,
  readOnly,
  wins,
  onAsk,
  onTake,
  onKeep,
}: {
  asked: readonly Asked[];
  contexts: readonly (OperationContext | null)[];
  columns: readonly Heavy<Row>[];
  lines: readonly Line[];
  /** Cutters to choose from, in their order. */
  cutters: readonly Cutter[];
  /** ISO group of the alloy. */
  group: Cutter['suits_iso_groups'][number];
  readOnly: boolean;
  wins: (aspect: Aspect, column: number) => boolean;
  onAsk: (asked: readonly Asked[]) => void;
  onTake: (next: MillingOperation) => void;
  onKeep: (next: MillingOperation) => void;
}) {
  const choices = cutters.map((c) => ({
    id: c.id,
    name: c.suits_iso_groups.includes(group) ? c.name : `${c.name} (not rated for ISO ${group})`,
  }));
  const others = (i: number) => asked.filter((_, k) => k !== i);
  return (
    // The table scrolls in its own frame, and its head with the buttons stays.
    <div
      role="region"
      aria-label="Table of strategies"
      tabIndex={0}
      className="max-h-[calc(100dvh-var(--above)-9.5rem)] min-h-80 overflow-auto rounded-lg border border-line"
    >
      <table className="w-full min-w-[640px] table-fixed border-collapse bg-card">
        <thead className="sticky top-0 z-10 bg-card shadow-[0_1px_0_var(--line)]">
          <tr className="align-top">
            <td className="w-40 p-2" />
            {asked.map((a, i) => (
              <ColumnHead
                key={i}
                number={i + 1}
                asked={a}
                heavy={columns[i]}
                cutters={choices}
                onChange={(next) => onAsk(asked.map((b, k) => (k === i ? { ...b, ...next } : b)))}
                onRemove={asked.length > 1 ? () => onAsk(others(i)) : null}
              >
                <Uses
                  number={i + 1}
                  column={columns[i]}
                  readOnly={readOnly}
                  onTake={onTake}
                  onKeep={onKeep}
                />
              </ColumnHead>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map(({ name, of, aspect }, at) => (
            <tr key={name} className="border-t border-line align-top">
              <th scope="row" className="p-2 text-left text-[13px] font-normal text-soft">
                {name}
              </th>
              {columns.map((column, i) => {
                const row = column.data;
                const won = aspect !== undefined && wins(aspect, i);
                return (
                  <td
                    key={i}
                    className={`border-l border-line p-2 ${won ? 'bg-accent-soft' : ''} ${column.stale ? 'opacity-60' : ''}`}
                  >
                    {row && isLaidOut(row)
                      ? of(row)
                      : at === 0 && <Refusal context={contexts[i] ?? null} row={row} />}
                    {won && (
                      <span className="ml-1.5 rounded border border-accent px-1 text-[12px] font-semibold text-accent">
                        best
                      </span>
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
