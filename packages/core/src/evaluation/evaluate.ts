import { SEVERITY } from '../judging/severity.ts';
import type { OperationContext } from '../operations/context.ts';
import type { LimitResult } from '../judging/result.ts';
import type { Evaluation } from './evaluation.ts';
import type { Operation } from '../operations/operation.ts';
import { bandOf, scale, type Source } from '../judging/estimate.ts';
import { cautionsOf } from './cautions.ts';
import { requirePossible } from './check-operation.ts';
import { kindOf } from './registry.ts';
import type { CutState } from '../operations/cut-state.ts';

/** Worst first: by state, then by share used. */
export const worseFirst = (a: LimitResult, b: LimitResult): number =>
  SEVERITY[b.state] - SEVERITY[a.state] || (b.share?.high ?? 0) - (a.share?.high ?? 0);

function sourcesOf(
  state: CutState,
  more: readonly { readonly terms: readonly { readonly source: Source }[] }[],
): Source[] {
  const found = new Map<string, Source>();
  for (const e of [state.powerKw, state.peakTorqueNm, ...more, ...(state.lifeMin ? [state.lifeMin] : [])]) {
    for (const { source } of e.terms) found.set(source.id, source);
  }
  return [...found.values()];
}

/**
 * The one door to the judgement: every number and every limit of an operation in its context.
 * Throws an InputError naming field, value and range when the operation is impossible.
 */
export function evaluate(op: Operation, context: OperationContext): Evaluation {
  requirePossible(op, context);
  const { state, rests, pecks, ...worked } = kindOf(op).workOut(op, context);
  const risk = worked.risk();
  return conclude(state, worked.judged(), {
    numbers: worked.numbers(),
    sources: sourcesOf(state, rests),
    pecks,
    ...(risk && { risk }),
  });
}

/** Some of the limits of an operation, those that apply: nothing else is worked out. */
export function judgeLimits(op: Operation, context: OperationContext, ids: readonly string[]): LimitResult[] {
  requirePossible(op, context);
  return kindOf(op).workOut(op, context).judged(ids);
}

/** A single limit, or null where it does not apply: what a search asks hundreds of times. */
export const judgeLimit = (op: Operation, context: OperationContext, limitId: string): LimitResult | null =>
  judgeLimits(op, context, [limitId])[0] ?? null;

function conclude(
  state: CutState,
  limits: LimitResult[],
  rest: Pick<Evaluation, 'numbers' | 'sources' | 'pecks' | 'risk'>,
): Evaluation {
  let worst = limits[0]!;
  for (const limit of limits) if (worseFirst(limit, worst) < 0) worst = limit;
  return {
    kind: state.op.kind,
    rating: state.rating,
    ...rest,
    limits,
    governing: worst.id,
    state: worst.state,
    time: state.time,
    featuresPerEdge: state.lifeMin
      ? bandOf(scale(state.lifeMin, 1 / Math.max(1e-9, state.time.cutting)))
      : null,
    cautions: cautionsOf(state.op, state.context),
  };
}

/** One limit of an evaluation. Throws when it does not apply there. */
export function limitOf(evaluation: Evaluation, id: string): LimitResult {
  const limit = evaluation.limits.find((l) => l.id === id);
  if (!limit) throw new Error(`limit ${id} does not apply to this operation`);
  return limit;
}

/** One number of an evaluation. Throws when there is none of that key. */
export function numberOf(
  evaluation: Pick<Evaluation, 'numbers'>,
  key: string,
): Evaluation['numbers'][number] {
  const found = evaluation.numbers.find((q) => q.key === key);
  if (!found) throw new Error(`number ${key} is not part of this evaluation`);
  return found;
}
