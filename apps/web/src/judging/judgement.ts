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

/** Evaluates, or says what is impossible. */
export function judge(op: Operation, context: OperationContext | null): Judgement {
  if (!context)
    return { evaluation: null, problems: [{ field: 'crib', value: '', allowed: 'entries that exist' }] };
  try {
    return { evaluation: evaluate(op, context), problems: [] };
  } catch (error) {
    if (error instanceof InputError) return { evaluation: null, problems: error.problems };
    throw error;
  }
}
