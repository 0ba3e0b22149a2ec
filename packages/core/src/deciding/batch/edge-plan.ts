import type { Evaluation } from '../../evaluation/evaluation.ts';
import { Z90 } from '../../judging/estimate.ts';
import type { Band } from '../../judging/result.ts';
import { normalBelow } from '../../numerics/normal.ts';
import type { OperationContext } from '../../operations/context.ts';
import { LONGEST_LIFE_MIN } from '../../operations/life-state.ts';
import type { Operation } from '../../operations/operation.ts';
import {
  type ChangePoint,
  changePoints,
  cheapestChange,
  costPerFeature,
} from '../../physics/life/change-point.ts';
import { failureCosts, type FailureCosts } from './failure-cost.ts';

/** Features looked at: beyond it a change point is as good as none. */
const MOST_FEATURES = 400;

/** A change point with what it costs when somebody is there and when nobody is. */
export interface PlannedChange extends ChangePoint {
  readonly costs: FailureCosts;
}

/** When to change an edge of an operation, and what the batch takes. */
export interface EdgePlan {
  /** Chance that an edge is still good after k features, from none on. */
  readonly alive: readonly number[];
  readonly attended: PlannedChange;
  readonly unattended: PlannedChange;
  /** The change point the operation states, judged by who is there. */
  readonly stated: ChangePoint;
  /** Whether somebody is there, as the operation states it. */
  readonly isAttended: boolean;
  /** Cost per feature of every change point, by who is there. */
  readonly points: readonly ChangePoint[];
  /** Edges the whole batch takes with the stated change point: changes in time and failures. */
  readonly edgesForBatch: number;
  /** Part during which the shelf runs out, from 1; null where it does not or nobody counted. */
  readonly shelfEndsOnPart: number | null;
  readonly shelf: number | null;
}

/** Standard deviation of the logarithm a band stands for. */
const sigmaOfBand = ({ value, high }: Band): number => Math.max(0.02, Math.log(high / value) / Z90);

/** Chance that an edge is good after k features, by the band of features it lasts. */
export function aliveAfter(features: number, lasts: Band): number {
  return features <= 0 ? 1 : 1 - normalBelow(Math.log(features / lasts.value) / sigmaOfBand(lasts));
}

/**
 * When to change the edge: the point that costs least by survival, always between features, with somebody there and without. Null
 * where wear does not end an edge or no life is known.
 */
export function edgePlan(
  op: Operation,
  context: OperationContext,
  evaluation: Pick<Evaluation, 'featuresPerEdge' | 'time'>,
): EdgePlan | null {
  const lasts = evaluation.featuresPerEdge;
  if (!lasts || !(lasts.value > 0)) return null;
  const beyond = LONGEST_LIFE_MIN / Math.max(1e-6, evaluation.time.cutting);
  const most = Math.ceil(Math.min(MOST_FEATURES, beyond, Math.max(op.featuresPerEdge, 3 * lasts.high)));
  const alive = Array.from({ length: Math.max(2, most + 1) }, (_, k) => aliveAfter(k, lasts));
  const best = (attended: boolean): PlannedChange => {
    const costs = failureCosts(op, context, attended);
    return { ...cheapestChange(alive, costs), costs };
  };
  const isAttended = (op.economics.hoursLost ?? null) === null;
  const costs = failureCosts(op, context, isAttended);
  const stated = Math.min(op.featuresPerEdge, alive.length - 1);
  let made = 0;
  for (let k = 0; k < stated; k++) made += alive[k]!;
  const shelf = op.edgesOnShelf ?? context.shelf?.edges ?? null;
  const batch = context.quantity * op.featuresPerPart;
  // Every edge makes as many features on average as it survives until it is changed.
  const edgesForBatch = batch / Math.max(1e-9, made);
  const runsOut = shelf === null ? null : Math.floor((shelf * made) / op.featuresPerPart) + 1;
  return {
    alive,
    attended: best(true),
    unattended: best(false),
    stated: {
      features: op.featuresPerEdge,
      costPerFeature: costPerFeature(alive, stated, costs),
      failsEarlier: 1 - aliveAfter(op.featuresPerEdge, lasts),
    },
    isAttended,
    points: changePoints(alive, costs),
    edgesForBatch,
    shelf,
    shelfEndsOnPart: runsOut !== null && runsOut <= context.quantity ? runsOut : null,
  };
}

/** A chance as a shop says it: one in so many. */
export function oneIn(chance: number): string {
  if (!(chance > 0.001)) return 'fewer than 1 in 1,000';
  if (chance >= 0.995) return 'nearly all';
  if (chance >= 0.4) return `${Math.round(10 * chance)} in 10`;
  const n = 1 / chance;
  const round = n < 10 ? Math.round(n) : n < 100 ? 5 * Math.round(n / 5) : 50 * Math.round(n / 50);
  return `1 in ${round}`;
}
