import type {
  EntryMethod,
  LayOutWish,
  MillingOperation,
  OperationContext,
  StrategyId,
  StrategyLayout,
  StrategyRefusal,
} from '@burl/core';
import { question } from '../../../workers/question.ts';
import { type Heavy, useHeavy } from '../../../workers/use-heavy.ts';

export type Row = StrategyLayout | StrategyRefusal;

/** A column of the comparison: a strategy with a cutter. */
export interface Asked {
  readonly strategy: StrategyId;
  readonly cutterId: string;
  /** Way in; absent takes the best. */
  readonly entry?: EntryMethod | undefined;
}

/** Columns at most. */
export const MOST_COLUMNS = 4;

/** One layout of up to four; each lane is its own question, so changing one leaves the others. */
function useLayout(
  op: MillingOperation,
  context: OperationContext | null,
  strategy: StrategyId | null,
  wish: LayOutWish,
): Heavy<Row> {
  const key = context && strategy ? question('layout', { ...op, pins: [] }, context, strategy, wish) : null;
  return useHeavy<Row>('compare', key, (api) => api.layOut(op, context!, strategy!, wish), 30);
}

/** Lanes end one another's work, so columns are worked out one after the other: each waits for those before it. */
export function useLayouts(
  op: MillingOperation,
  contexts: readonly (OperationContext | null)[],
  asked: readonly Asked[],
  wish: LayOutWish,
): readonly Heavy<Row>[] {
  const at = (i: number): OperationContext | null => contexts[i] ?? null;
  const strategy = (i: number): StrategyId | null => asked[i]?.strategy ?? null;
  const wishOf = (i: number): LayOutWish => {
    const entry = asked[i]?.entry;
    return entry ? { ...wish, entry } : wish;
  };
  const done = (h: Heavy<Row>): boolean => !h.busy;
  const first = useLayout(op, at(0), strategy(0), wishOf(0));
  const second = useLayout(op, done(first) ? at(1) : null, strategy(1), wishOf(1));
  const third = useLayout(op, done(first) && done(second) ? at(2) : null, strategy(2), wishOf(2));
  const fourth = useLayout(
    op,
    done(first) && done(second) && done(third) ? at(3) : null,
    strategy(3),
    wishOf(3),
  );
  return [first, second, third, fourth].slice(0, asked.length);
}
