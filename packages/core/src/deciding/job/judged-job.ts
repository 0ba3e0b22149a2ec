import type { ShopRates } from '../../crib/shop-rates.ts';
import type { Alloy } from '../../crib/alloy.ts';
import type { Evaluation } from '../../evaluation/evaluation.ts';
import type { OperationContext } from '../../operations/context.ts';
import type { Operation } from '../../operations/operation.ts';
import type { JobPlan, SetupPlan } from './job-plan.ts';

/** An operation of a job as it is judged. */
export interface JudgedOperation {
  readonly id: string;
  readonly name: string;
  readonly holeId: string | null;
  readonly document: Operation;
  readonly context: OperationContext;
  readonly evaluation: Evaluation;
}

export interface JudgedSetup {
  readonly id: string;
  readonly name: string;
  readonly plan: SetupPlan;
  readonly operations: readonly JudgedOperation[];
}

/** A whole job as it is judged: all that planning its batch looks at. */
export interface JudgedJob {
  readonly quantity: number;
  readonly plan: JobPlan;
  readonly alloy: Alloy;
  readonly rates: ShopRates;
  readonly setups: readonly JudgedSetup[];
}

export const operationsOfJob = (job: Pick<JudgedJob, 'setups'>): JudgedOperation[] =>
  job.setups.flatMap((s) => s.operations);
