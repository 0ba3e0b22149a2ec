import type { Evaluation } from '../../evaluation/evaluation.ts';
import type { LimitResult } from '../../judging/result.ts';
import type { Seen } from '../../learning/trial.ts';
import type { OperationContext } from '../../operations/context.ts';
import type { Operation } from '../../operations/operation.ts';
import type { Symptom } from './symptoms.ts';

/** An edge that broke or did not last, with all that is known of it. */
export interface DiagnosisCase {
  readonly seen: Seen;
  /** What a caller says beside that. */
  readonly symptoms?: readonly Symptom[];
  /** Minutes of cutting the edge had; null where nobody counted. */
  readonly minutes: number | null;
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

/** Whether a caller sees this. */
export const shows = ({ symptoms = [] }: DiagnosisCase, symptom: Symptom): boolean =>
  symptoms.includes(symptom);

/** Minutes run over the life that was expected; 1 where none is known, null where nobody counted. */
export function lifeShare({ evaluation, minutes }: DiagnosisCase): number | null {
  if (minutes === null) return null;
  const lasts = evaluation.featuresPerEdge;
  return lasts ? minutes / Math.max(1e-9, lasts.value * evaluation.time.cutting) : 1;
}
