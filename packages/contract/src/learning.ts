import type { Suspect, LearntConstant, LimitState } from '@burl/core';
import * as yup from 'yup';
import type { Trial } from './trials.ts';

/** A trial that is not to count, and why. */
export interface LeftOut {
  readonly trial: string;
  readonly reason: string;
}

/** What is to be fitted: edges of a family in an alloy, or forces and drives from the load meter. */
export interface FitQuestion {
  readonly kind: 'life' | 'load';
  readonly alloyId: string;
  /** Type, substrate and coating; empty for a fit of loads. */
  readonly edgeFamily: string;
  readonly leftOut: readonly LeftOut[];
}

/** A number before and after a fit, each with its 90% band. */
export interface FittedNumber {
  readonly name: string;
  readonly unit: string;
  readonly before: readonly [low: number, value: number, high: number];
  readonly after: readonly [low: number, value: number, high: number];
}

/** A trial a fit rests on. */
export interface FitTrial {
  readonly trial: Trial;
  /** Deviation from the fit in standard deviations; null where it was left out. */
  readonly z: number | null;
  readonly outlier: boolean;
  readonly leftOut: string | null;
}

/** A lot against its alloy. */
export interface LotSays {
  readonly heatLot: string;
  /** Speed or force against the rest of the alloy. */
  readonly factor: readonly [low: number, value: number, high: number];
  readonly departs: boolean;
  readonly trials: number;
}

/** An operation of an open job whose state would change. */
export interface WouldChange {
  readonly jobId: string;
  readonly jobNumber: string;
  readonly operationId: string;
  readonly operation: string;
  readonly before: LimitState;
  readonly after: LimitState;
  /** Limit that governs afterwards. */
  readonly limit: string;
  readonly lifeBefore: number | null;
  readonly lifeAfter: number | null;
}

/** What trials propose; nothing counts before somebody accepts it. */
export interface Proposal {
  readonly question: FitQuestion;
  readonly numbers: readonly FittedNumber[];
  readonly trials: readonly FitTrial[];
  readonly lots: readonly LotSays[];
  readonly changes: readonly WouldChange[];
  /** Operations of open jobs that were judged both ways. */
  readonly judged: number;
  readonly constants: readonly LearntConstant[];
  /** What the constants were worked out of, as a short word: accepted only as long as it is still so. */
  readonly stamp: string;
}

/** A constant with what it rests on and who accepted and reversed it. */
export interface LearntRecord {
  readonly id: string;
  readonly constant: LearntConstant;
  readonly question: FitQuestion;
  readonly numbers: readonly FittedNumber[];
  readonly trials: readonly string[];
  readonly acceptedBy: string;
  readonly acceptedAt: string;
  readonly note: string;
  readonly reversedBy: string | null;
  readonly reversedAt: string | null;
  readonly reverseReason: string | null;
}

/** What ended an edge, as far as can be told. */
export interface TrialDiagnosis {
  readonly trial: Trial;
  readonly suspects: readonly Suspect[];
  /** Why there is no diagnosis; null where there is one. */
  readonly missing: string | null;
}

/** What can be fitted: enough trials of one alloy and edge family. */
export interface Fittable {
  readonly alloyId: string;
  readonly edgeFamily: string;
  readonly trials: number;
}

const leftOut = yup
  .array()
  .of(
    yup
      .object({
        trial: yup.string().strict().uuid().required(),
        reason: yup.string().strict().required().trim().min(3).max(400),
      })
      .noUnknown()
      .required(),
  )
  .max(500)
  .required();
const question = {
  kind: yup.string().strict().oneOf(['life', 'load']).required(),
  alloyId: yup.string().strict().required().max(120),
  edgeFamily: yup.string().strict().defined().max(300),
  leftOut,
};
export const fitQuestionSchema = yup
  .object(question)
  .noUnknown()
  .required() as unknown as yup.Schema<FitQuestion>;

export interface Acceptance extends FitQuestion {
  readonly stamp: string;
  readonly note: string;
}
export const acceptanceSchema = yup
  .object({
    ...question,
    stamp: yup.string().strict().required().max(80),
    note: yup.string().strict().defined().max(2000),
  })
  .noUnknown()
  .required() as unknown as yup.Schema<Acceptance>;

export const reversalSchema = yup
  .object({ reason: yup.string().strict().required().trim().min(3).max(1000) })
  .noUnknown()
  .required();
