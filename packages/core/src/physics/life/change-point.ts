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

/** Every change point up to the last feature of the survival curve, from one feature on. */
export function changePoints(alive: ArrayLike<number>, costs: EdgeCosts): ChangePoint[] {
  requirePositive('cost of an edge and its change', costs.change);
  const points: ChangePoint[] = [];
  let made = 0;
  for (let k = 1; k < alive.length; k++) {
    made += alive[k - 1]!;
    const failsEarlier = 1 - alive[k]!;
    points.push({
      features: k,
      costPerFeature: (costs.change + failsEarlier * costs.failure) / made,
      failsEarlier,
    });
  }
  return points;
}

/** The change point that costs least. Throws when the survival curve has no feature. */
export function cheapestChange(alive: ArrayLike<number>, costs: EdgeCosts): ChangePoint {
  const points = changePoints(alive, costs);
  let best = points[0];
  if (!best) throw new RangeError('invalid survival curve; one feature or more is needed');
  for (const p of points) if (p.costPerFeature < best.costPerFeature) best = p;
  return best;
}
