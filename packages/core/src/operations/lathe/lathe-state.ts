import type { Estimate } from '../../judging/estimate.ts';
import type { CutState } from '../cut-state.ts';
import type { Operation } from '../operation.ts';
import type { HeldPart } from './held-part.ts';

/** What the limits of a part that turns look at, whatever is cut on it. */
export interface LatheState<O extends Operation = Operation> extends CutState<O> {
  readonly part: HeldPart;
  /** Along the cutting speed and along the feed, N. */
  readonly cuttingN: Estimate;
  readonly feedN: Estimate;
  /** Fastest the part turns, rpm, and the diameter it is cut at there, mm. */
  readonly fastestRpm: number;
  readonly smallestMm: number;
  /** Diameter at which the cap is reached, mm; null where it is not reached. */
  readonly capAtMm: number | null;
  /** Overhang over the mean diameter of the part. */
  readonly slenderness: number;
}
