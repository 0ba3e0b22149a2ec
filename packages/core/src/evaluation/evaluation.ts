import type { Band, CycleTime, HoleRisk, LimitResult, LimitState, Quantity } from '../judging/result.ts';
import type { Operation } from '../operations/operation.ts';
import type { Peck } from '../physics/holes/peck.ts';
import type { Source } from '../judging/estimate.ts';

/** Everything the judgement says of one operation in its context. */
export interface Evaluation {
  readonly kind: Operation['kind'];
  /** Rating of the spindle the cut is held against: continuous, or the ten-minute 40% one for bursts. */
  readonly rating: 's1' | 's6_40';
  readonly numbers: readonly Quantity[];
  readonly limits: readonly LimitResult[];
  /** Id of the worst limit. */
  readonly governing: string;
  /** State of the worst limit. */
  readonly state: LimitState;
  readonly time: CycleTime;
  /** Features or holes an edge lasts. */
  readonly featuresPerEdge: Band | null;
  readonly sources: readonly Source[];
  readonly cautions: readonly string[];
  /** Filled for drilled holes. */
  readonly pecks: readonly Peck[];
  /** What may go wrong in one hole; absent for milling. */
  readonly risk?: HoleRisk;
}
