import type { Evaluation } from '../../evaluation/evaluation.ts';
import type { LimitResult } from '../../judging/result.ts';
import type { Seen } from '../../learning/trial.ts';
import type { OperationContext } from '../../operations/context.ts';
import type { Operation } from '../../operations/operation.ts';

/** An edge that broke or did not last, with all that is known of it. */
export interface DiagnosisCase {
  readonly seen: Seen;
  /** Minutes of cutting the edge had. */
  readonly minutes: number;
  /** The operation as it was really run, overrides counted, and what the limits say of that. */
  readonly op: Operation;
  readonly context: OperationContext;
  readonly evaluation: Evaluation;
  /** Earlier edges of the same operation: share of its expected life each reached, in order. */
  readonly earlier: readonly { readonly lifeShare: number; readonly ended: boolean }[];
}

/** Share of a limit used, 0 where it does not apply. */
export const shareOf = ({ evaluation }: DiagnosisCase, id: string): number =>
  evaluation.limits.find((l) => l.id === id)?.share?.value ?? 0;

/** A limit, where it applies. */
export const limitIn = ({ evaluation }: DiagnosisCase, id: string): LimitResult | undefined =>
  evaluation.limits.find((l) => l.id === id);

/** Minutes run over the life that was expected; 1 where none is known. */
export function lifeShare({ evaluation, minutes }: DiagnosisCase): number {
  const lasts = evaluation.featuresPerEdge;
  return lasts ? minutes / Math.max(1e-9, lasts.value * evaluation.time.cutting) : 1;
}
