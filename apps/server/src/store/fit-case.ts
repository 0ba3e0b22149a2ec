import type { FitQuestion, Trial } from '@burl/contract';
import type { Accepted, Alloy } from '@burl/core';
import type { Judged } from './judged-operations.ts';

/** An operation of an open job, with the lot of its job. */
export interface OpenOperation extends Judged {
  readonly jobId: string;
  readonly jobNumber: string;
  readonly heatLot: string;
}

/** All a fit looks at. */
export interface FitCase {
  readonly question: FitQuestion;
  readonly trials: readonly Trial[];
  readonly alloy: Alloy;
  /** Alloys the readings are of, for what is known of their forces. */
  readonly alloys: readonly Alloy[];
  readonly open: readonly OpenOperation[];
  /** What counts today. */
  readonly accepted: readonly Accepted[];
}
