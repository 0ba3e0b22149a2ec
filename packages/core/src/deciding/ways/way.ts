import { evaluate } from '../../evaluation/evaluate.ts';
import type { Evaluation } from '../../evaluation/evaluation.ts';
import type { OperationContext } from '../../operations/context.ts';
import { costBasis, costOfFeature } from '../../operations/cost.ts';
import type { Operation } from '../../operations/operation.ts';
import type { Sentence } from '../../units/sentence.ts';

/** A cut that was worked out, and what it comes to for one feature. */
export interface WayCut<O extends Operation = Operation> {
  readonly op: O;
  readonly evaluation: Evaluation;
  /** Minutes with the share of an edge change, and money. */
  readonly minutes: number;
  readonly cost: number;
}

/** A way to make the same feature, with its numbers. */
export interface Way<O extends Operation = Operation> extends WayCut<O> {
  readonly id: string;
  readonly name: string;
  readonly context: OperationContext;
  /** What it asks for that no number says. */
  readonly mind?: Sentence;
}

/** What a cut comes to. */
export function cutOf<O extends Operation>(op: O, context: OperationContext): WayCut<O> {
  const evaluation = evaluate(op, context);
  const life = evaluation.numbers.find((n) => n.key === 'T')?.value ?? null;
  const { cutting, linking } = evaluation.time;
  const basis = costBasis(op, context);
  const minutes = cutting + linking + (life === null ? 0 : (cutting / life) * basis.edgeChangeMin);
  const { total } = costOfFeature(basis, { contact: cutting, total: cutting + linking }, life);
  return { op, evaluation, minutes, cost: total };
}
