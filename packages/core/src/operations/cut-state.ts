import type { Operation } from './operation.ts';
import type { OperationContext } from './context.ts';
import type { CycleTime } from '../judging/result.ts';
import type { LibraryLife } from './life-state.ts';
import type { Estimate } from '../judging/estimate.ts';

/** What every limit may look at, for milling and holes alike; worked out once per evaluation. */
export interface CutState<O extends Operation = Operation> {
  readonly op: O;
  readonly context: OperationContext;
  readonly speedRpm: number;
  /** At the diameter in the cut, m/min. */
  readonly cuttingSpeedMMin: number;
  readonly diameterInCutMm: number;
  readonly feedRateMmMin: number;
  readonly removalCm3Min: number;
  /** Power asked of the spindle drive, kW. */
  readonly powerKw: Estimate;
  /** Mean torque asked of the spindle, N·m. */
  readonly torqueNm: Estimate;
  /** Highest torque within a turn, N·m: what the holder has to grip. */
  readonly peakTorqueNm: Estimate;
  /** Rating the cut is held against: continuous, or the ten-minute 40% one for bursts. */
  readonly rating: 's1' | 's6_40';
  /** Axial force that pulls the tool out of its holder, N. */
  readonly pullOutN: Estimate;
  readonly time: CycleTime;
  /** Minutes of cutting an edge lasts; null where no life model is known. */
  readonly lifeMin: Estimate | null;
  /** Speed that gives a quarter of an hour at this engagement, m/min; null where no model is known. */
  readonly speedLimitMMin: Estimate | null;
  /** What the life model could not follow. */
  readonly lifeNotes: readonly string[];
  /** What the library alone says of this cut's speed; null without a model. */
  readonly libraryLife: LibraryLife | null;
}
