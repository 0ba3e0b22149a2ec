import type { Evaluation } from '../../evaluation/evaluation.ts';
import { Z90 } from '../../judging/estimate.ts';
import type { Band } from '../../judging/result.ts';
import { normalBelow, normalDeviate } from '../../numerics/normal.ts';
import type { OperationContext } from '../../operations/context.ts';
import { LONGEST_LIFE_MIN } from '../../operations/life-state.ts';
import type { Operation } from '../../operations/operation.ts';
import {
  type ChangePoint,
  changePoints,
  cheapestChange,
  type PossibleSurvival,
} from '../../physics/life/change-point.ts';
import { failureCosts, type FailureCosts } from './failure-cost.ts';

/** A shift with nobody there, minutes. */
const SHIFT_MIN = 480;
const minutesOf = ({ cutting, linking }: Evaluation['time']): number => Math.max(1e-3, cutting + linking);

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
  /** Cost per feature of every change point, by who is there. */
  readonly points: readonly ChangePoint[];
  /** Edges the whole batch takes with the stated change point: changes in time and failures. */
  readonly edgesForBatch: number;
  /** Part during which the shelf runs out, from 1; null where it does not or nobody counted. */
  readonly shelfEndsOnPart: number | null;
  readonly shelf: number | null;
  /** Tools of this kind the magazine needs for a shift of this feature with nobody there, changed where that costs least. */
  readonly toolsPerShift: number;
}

/** Standard deviation of the logarithm a band stands for. */
const sigmaOfBand = ({ value, high }: Band): number => Math.max(0.02, Math.log(high / value) / Z90);

/** Deciles of a standard normal: what all edges of a set-up may share, nine ways alike likely. */
const SHARED = [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9].map(normalDeviate);
/** Scatter of ln life from edge to edge where nobody learnt it. */
const USUAL_SCATTER = 0.3;

/** What the survival may be: the doubt all edges share in nine steps, the scatter from edge to edge about each. */
function possibleSurvival(lasts: Band, sources: Evaluation['sources'], most: number): PossibleSurvival[] {
  const whole = sigmaOfBand(lasts);
  const scatter = Math.min(whole, sources.find((q) => q.id === 'edge-to-edge')?.sigma ?? USUAL_SCATTER);
  const shared = Math.sqrt(Math.max(0, whole ** 2 - scatter ** 2));
  return SHARED.map((z) => ({
    weight: 1 / SHARED.length,
    alive: Float64Array.from({ length: most + 1 }, (_, k) =>
      k === 0 ? 1 : 1 - normalBelow((Math.log(k / lasts.value) - shared * z) / scatter),
    ),
  }));
}

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
  evaluation: Pick<Evaluation, 'featuresPerEdge' | 'time' | 'sources'>,
): EdgePlan | null {
  const lasts = evaluation.featuresPerEdge;
  if (!lasts || !(lasts.value > 0)) return null;
  const beyond = LONGEST_LIFE_MIN / Math.max(1e-6, evaluation.time.cutting);
  const most = Math.ceil(Math.min(MOST_FEATURES, beyond, Math.max(op.featuresPerEdge, 3 * lasts.high)));
  const alive = Array.from({ length: Math.max(2, most + 1) }, (_, k) => aliveAfter(k, lasts));
  const possible = possibleSurvival(lasts, evaluation.sources, alive.length - 1);
  const best = (attended: boolean): PlannedChange => {
    const costs = failureCosts(op, context, attended);
    return { ...cheapestChange(possible, costs), costs };
  };
  // Whoever states hours lost says that nobody is there.
  const costs = failureCosts(op, context, (op.economics.hoursLost ?? null) === null);
  const stated = Math.min(op.featuresPerEdge, alive.length - 1);
  const points = changePoints(possible, costs);
  let made = 0;
  for (let k = 0; k < stated; k++) made += alive[k]!;
  const shelf = op.edgesOnShelf ?? context.shelf?.edges ?? null;
  const batch = context.quantity * op.featuresPerPart;
  // Every edge makes as many features on average as it survives until it is changed.
  const edgesForBatch = batch / Math.max(1e-9, made);
  const runsOut = shelf === null ? null : Math.floor((shelf * made) / op.featuresPerPart) + 1;
  const unattended = best(false);
  return {
    alive,
    attended: best(true),
    unattended,
    stated: {
      features: op.featuresPerEdge,
      costPerFeature: points[stated - 1]?.costPerFeature ?? 0,
      failsEarlier: 1 - aliveAfter(op.featuresPerEdge, lasts),
    },
    points,
    edgesForBatch,
    toolsPerShift: Math.max(1, Math.ceil(SHIFT_MIN / (unattended.features * minutesOf(evaluation.time)))),
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
