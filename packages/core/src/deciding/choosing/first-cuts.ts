import type { Cutter } from '../../crib/cutter.ts';
import { toolFits } from '../../evaluation/check-operation.ts';
import { evaluate } from '../../evaluation/evaluate.ts';
import type { Evaluation } from '../../evaluation/evaluation.ts';
import type { OperationContext } from '../../operations/context.ts';
import { costBasis, costOfFeature } from '../../operations/cost.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import { millingState } from '../../operations/milling/milling-state.ts';
import { begin } from '../strategies/lay-out.ts';
import { doubtOf, placeOf } from './doubt.ts';
import { contextWith, type Offer, reasonsAgainst, unlike } from './rank-cutters.ts';

/** What a cutter would be begun with here, and what that comes to. */
export interface FirstCut {
  readonly cutterId: string;
  readonly name: string;
  readonly operation: MillingOperation;
  readonly state: Evaluation['state'];
  readonly minutes: number;
  readonly removalCm3Min: number;
  readonly cost: number;
  readonly doubt: number;
}

/** Tools shown. */
const SHOWN = 6;

/**
 * The crib's cutters for a feature with the numbers one begins with, not balanced: clear ones first, then the cheaper
 * before the dearer with their doubt counted. What a question without a job is answered by: numbers a shop would start with, told at once.
 */
export function firstCuts(
  op: MillingOperation,
  context: OperationContext,
  offer: Offer,
): readonly FirstCut[] {
  const found: { cutter: Cutter; cut: FirstCut }[] = [];
  for (const cutter of offer.cutters.filter((c) => toolFits(op, c))) {
    const cut = firstCut(op, context, cutter, offer);
    if (cut) found.push({ cutter, cut });
  }
  found.sort(
    ({ cut: a }, { cut: b }) => placeOf(a.state) - placeOf(b.state) || a.cost * a.doubt - b.cost * b.doubt,
  );
  return unlike(found)
    .slice(0, SHOWN)
    .map(({ cut }) => cut);
}

/** One cutter with the numbers one begins with; null where it cannot. */
export function firstCut(
  op: MillingOperation,
  context: OperationContext,
  cutter: Cutter,
  offer: Offer,
): FirstCut | null {
  if (reasonsAgainst(op, context, cutter, offer).length > 0) return null;
  const at = contextWith(op, context, cutter, offer);
  const begun = at && begin(op, at, op.path.strategy);
  if (!at || !begun || !('operation' in begun)) return null;
  const { operation } = begun;
  const state = millingState(operation, at);
  const evaluation = evaluate(operation, at);
  const total = state.time.cutting + state.time.linking;
  return {
    cutterId: cutter.id,
    name: cutter.name,
    operation,
    state: evaluation.state,
    doubt: doubtOf(evaluation),
    minutes: total,
    removalCm3Min: state.removalCm3Min,
    cost: costOfFeature(
      costBasis(operation, at),
      { contact: state.minutes.contact, total },
      state.lifeMin?.value ?? null,
    ).total,
  };
}
