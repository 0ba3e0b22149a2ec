import {
  evaluate,
  type Evaluation,
  InputError,
  type InputProblem,
  type Operation,
  type OperationContext,
} from '@burl/core';

export interface Judgement {
  readonly evaluation: Evaluation | null;
  readonly problems: readonly InputProblem[];
}

/** The last judgement of each operation: several parts of the page ask for the same one in the same frame. */
const judged = new WeakMap<
  Operation,
  { readonly context: OperationContext; readonly judgement: Judgement }
>();

const sameContext = (a: OperationContext, b: OperationContext): boolean =>
  a.alloy === b.alloy &&
  a.machine === b.machine &&
  a.cutter === b.cutter &&
  a.holder === b.holder &&
  a.substrate === b.substrate &&
  a.coating === b.coating &&
  a.resonance === b.resonance &&
  a.learnt === b.learnt &&
  a.rates === b.rates &&
  a.held === b.held &&
  a.shelf?.edges === b.shelf?.edges &&
  a.shelf?.edgePrice === b.shelf?.edgePrice &&
  a.periodic?.key === b.periodic?.key &&
  a.quantity === b.quantity;

/** Evaluates, or says what is impossible. */
export function judge(op: Operation, context: OperationContext | null): Judgement {
  if (!context)
    return { evaluation: null, problems: [{ field: 'crib', value: '', allowed: 'entries that exist' }] };
  const known = judged.get(op);
  if (known && sameContext(known.context, context)) return known.judgement;
  const judgement = judgeAnew(op, context);
  judged.set(op, { context, judgement });
  return judgement;
}

function judgeAnew(op: Operation, context: OperationContext): Judgement {
  try {
    return { evaluation: evaluate(op, context), problems: [] };
  } catch (error) {
    if (error instanceof InputError) return { evaluation: null, problems: error.problems };
    throw error;
  }
}
