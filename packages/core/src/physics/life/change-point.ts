import { requirePositive } from '../../units/input-error.ts';

/** What ends of edges cost, in the shop's own money. */
export interface EdgeCosts {
  /** One edge and the change to the next. */
  readonly change: number;
  /** What an edge that fails in the cut costs beyond that: broken tool, part at its worth by then, machine that stands. */
  readonly failure: number;
}

/** A change point and what it costs. */
export interface ChangePoint {
  /** Features after which the edge is changed. */
  readonly features: number;
  /** Edges, changes and failures, per feature. */
  readonly costPerFeature: number;
  /** Share of edges that fail before. */
  readonly failsEarlier: number;
}

/**
 * Cost per feature when the edge is changed after k features or when it fails, whichever comes first: always between features.
 * `alive[k]` is the chance that it is good after k. Age replacement in whole cycles; Nakagawa 2005, ch. 9.
 */
export function costPerFeature(alive: ArrayLike<number>, features: number, costs: EdgeCosts): number {
  let made = 0;
  for (let k = 0; k < features; k++) made += alive[k]!;
  return (costs.change + (1 - alive[features]!) * costs.failure) / made;
}

/** A survival curve that may be the true one, with its weight; weights sum to one. */
export interface PossibleSurvival {
  readonly weight: number;
  readonly alive: ArrayLike<number>;
}

/**
 * Every change point up to the last feature of the curves, its cost averaged over what the edges may be like. All edges of a set-up
 * share what is not known of them: averaging the curves themselves would take that for scatter and run edges to their end.
 */
export function changePoints(possible: readonly PossibleSurvival[], costs: EdgeCosts): ChangePoint[] {
  requirePositive('cost of an edge and its change', costs.change);
  const most = Math.min(...possible.map((p) => p.alive.length)) - 1;
  const made = possible.map(() => 0);
  const points: ChangePoint[] = [];
  for (let k = 1; k <= most; k++) {
    let cost = 0;
    let failsEarlier = 0;
    for (const [i, { weight, alive }] of possible.entries()) {
      made[i]! += alive[k - 1]!;
      const fails = 1 - alive[k]!;
      failsEarlier += weight * fails;
      cost += (weight * (costs.change + fails * costs.failure)) / made[i]!;
    }
    points.push({ features: k, costPerFeature: cost, failsEarlier });
  }
  return points;
}

/** Share of edges that may fail before they are changed, whatever it costs: beyond it nothing is planned any more. Judgement. */
const MOST_FAILING = 0.5;

/** The change point that costs least, where at most half of the edges fail before; at least one feature. Throws without any. */
export function cheapestChange(possible: readonly PossibleSurvival[], costs: EdgeCosts): ChangePoint {
  const points = changePoints(possible, costs);
  let best = points[0];
  if (!best) throw new RangeError('invalid survival curve; one feature or more is needed');
  for (const p of points)
    if (p.failsEarlier <= MOST_FAILING && p.costPerFeature < best.costPerFeature) best = p;
  return best;
}
