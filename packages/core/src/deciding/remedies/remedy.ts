import type { OperationContext } from '../../operations/context.ts';
import type { LimitResult, LimitState } from '../../judging/result.ts';
import type { Evaluation } from '../../evaluation/evaluation.ts';
import { InputError } from '../../units/input-error.ts';
import type { Operation } from '../../operations/operation.ts';
import type { Sentence } from '../../units/sentence.ts';
import { evaluate, judgeLimit } from '../../evaluation/evaluate.ts';

/** A change that clears a limit, what it does to the rest, and the operation after it. */
export interface Remedy {
  readonly id: string;
  readonly title: Sentence;
  readonly operation: Operation;
  readonly state: LimitState;
  /** Minutes more (or less) for one feature. */
  readonly minutesMore: number;
  /** Cost more (or less) for one feature, in the shop's money; null where nobody reckons it. */
  readonly costMore: number | null;
  /** Features per edge lasts after over before; null where no life is known. */
  readonly lifeFactor: number | null;
  /** Limits it pushes over that were not. */
  readonly pushesOver: readonly string[];
  /** Limits it makes tight that were clear: the doubt is moved, not mended. */
  readonly tightens: readonly string[];
  /** Size of the change, as a share; the order among remedies that push nothing over. */
  readonly size: number;
}

/** Evaluates, or null where the change is impossible. */
export function attempt(op: Operation, context: OperationContext): Evaluation | null {
  try {
    return evaluate(op, context);
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

/** The limit after a change, or null where the change is impossible. */
export function limitAfter(op: Operation, context: OperationContext, limitId: string): LimitResult | null {
  try {
    return judgeLimit(op, context, limitId);
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
}

/** Does the change make the limit clear? */
export const clears = (op: Operation, context: OperationContext, limitId: string): boolean =>
  limitAfter(op, context, limitId)?.state === 'clear';

const costOf = ({ numbers }: Evaluation): number | null =>
  numbers.find((n) => n.key === 'cost')?.value ?? null;

/** What a change does to everything, or null where it is impossible. */
export function remedyFrom(
  id: string,
  title: Sentence,
  after: Operation,
  context: OperationContext,
  before: Evaluation,
  size: number,
): Remedy | null {
  const e = attempt(after, context);
  if (!e) return null;
  const was = new Map(before.limits.map((l) => [l.id, l.state]));
  const named = (worse: (l: LimitResult) => boolean): string[] => e.limits.filter(worse).map((l) => l.name);
  const total = (x: Evaluation): number => x.time.cutting + x.time.linking;
  return {
    id,
    title,
    operation: after,
    state: e.state,
    minutesMore: total(e) - total(before),
    costMore: costOf(e) === null || costOf(before) === null ? null : costOf(e)! - costOf(before)!,
    lifeFactor:
      e.featuresPerEdge && before.featuresPerEdge
        ? e.featuresPerEdge.value / before.featuresPerEdge.value
        : null,
    pushesOver: named((l) => l.state === 'over' && was.get(l.id) !== 'over'),
    tightens: named((l) => l.state === 'tight' && was.get(l.id) === 'clear'),
    size,
  };
}
