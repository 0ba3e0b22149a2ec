import type { Evaluation, InputProblem, Operation, OperationContext } from '@burl/core';
import type { Batch, Crib } from '@burl/contract';
import { useCallback, useMemo } from 'react';
import { contextOf } from '../../judging/context.ts';
import { judge } from '../../judging/judgement.ts';
import { usePeriodic } from '../../workers/use-periodic.ts';

/** The cut on the bench as it is judged. */
export interface Judged {
  /** Of the operation as it stands, without a preview. */
  readonly context: OperationContext | null;
  readonly present: Evaluation | null;
  /** Of what is shown: the preview where there is one. */
  readonly shown: OperationContext | null;
  readonly problems: readonly InputProblem[];
  /** What is drawn is what was asked for: nothing impossible holds it up. */
  readonly fresh: boolean;
  /** Why the periodic border could not be worked out; null where it was, or nobody asks. */
  readonly periodicFailed: string | null;
  /** What is drawn: what is shown, or while that is impossible the last good one. */
  readonly drawn: {
    readonly op: Operation;
    readonly evaluation: Evaluation;
    readonly context: OperationContext | null;
  } | null;
}

/** Judges the operation and its preview, on the periodic solution once that has come from its worker. */
export function useJudged(
  op: Operation,
  preview: Operation | null,
  past: readonly Operation[],
  crib: Crib,
  batch: Batch,
): Judged {
  const shown = preview ?? op;
  const { verdict: periodic, failed } = usePeriodic(op, crib, batch);
  const at = useCallback(
    (o: Operation) => {
      const plain = contextOf(crib, o, batch);
      return plain && periodic ? { ...plain, periodic } : plain;
    },
    [crib, batch, periodic],
  );
  const shownContext = useMemo(() => at(shown), [at, shown]);
  const { evaluation: fresh, problems } = useMemo(() => judge(shown, shownContext), [shown, shownContext]);
  const context = useMemo(() => at(op), [at, op]);
  // Without a preview both are one: judging twice would cost every frame of a drag.
  const present = useMemo(
    () => (shown === op ? fresh : judge(op, context).evaluation),
    [shown, op, fresh, context],
  );
  const drawn = useMemo(() => {
    if (fresh) return { op: shown, evaluation: fresh, context: shownContext };
    const judged = (o: Operation) => judge(o, contextOf(crib, o, batch)).evaluation;
    const good = past.findLast((o) => judged(o) !== null);
    const evaluation = good && judged(good);
    return good && evaluation ? { op: good, evaluation, context: at(good) } : null;
  }, [fresh, shown, shownContext, past, crib, batch, at]);
  return {
    context,
    present,
    shown: shownContext,
    problems,
    fresh: fresh !== null,
    drawn,
    periodicFailed: failed,
  };
}
