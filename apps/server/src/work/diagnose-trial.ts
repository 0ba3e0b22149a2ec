import {
  asRun,
  diagnose,
  evaluate,
  hasEnded,
  InputError,
  type Operation,
  type OperationContext,
} from '@burl/core';
import type { Trial, TrialDiagnosis } from '@burl/contract';

/** What ended an edge: the cut as it was run, held against its limits, what was seen, and the edges before it. */
export function diagnoseTrial(
  trial: Trial,
  document: Operation,
  context: OperationContext,
  earlier: readonly Trial[],
): TrialDiagnosis {
  const op = asRun(document, trial);
  try {
    const suspects = diagnose({
      seen: trial,
      minutes: trial.minutes,
      op,
      context,
      evaluation: evaluate(op, context),
      earlier: earlier.map((t) => ({
        lifeShare: t.expectedLife ? t.minutes / t.expectedLife : 1,
        ended: hasEnded(t.ending),
      })),
    });
    return { trial, suspects, missing: null };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return { trial, suspects: [], missing: `The cut as it was run cannot be judged: ${error.message}` };
  }
}
