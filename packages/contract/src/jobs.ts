import {
  type JobPlan,
  type LimitState,
  type Operation,
  type SetupPlan,
  STEP_KEYS,
  type StepKey,
} from '@burl/core';
import * as yup from 'yup';
import { fieldsOf } from './fields-of.ts';
import type { HoleKindRecord } from './holes.ts';
import { jobPlanSchema, setupPlanSchema } from './job-plan-schema.ts';
import { operationSchema } from './operation-schema.ts';
import { version } from './version.ts';

export const JOB_STATUSES = ['draft', 'requested', 'released'] as const;
export type JobStatus = (typeof JOB_STATUSES)[number];

export interface JobFields {
  readonly number: string;
  readonly part: string;
  readonly customer: string;
  readonly alloyId: string;
  readonly machineId: string;
  readonly quantity: number;
  readonly heatLot: string;
  readonly due: string | null;
  readonly notes: string;
  /** Part, blank and batch; absent keeps what there is. */
  readonly plan?: JobPlan;
}

export interface Job extends JobFields {
  readonly id: string;
  readonly plan: JobPlan;
  readonly status: JobStatus;
  readonly revision: number;
  /** Why the present revision was opened; null for the first. */
  readonly revisionReason: string | null;
  readonly version: number;
  readonly updatedAt: string;
  readonly updatedBy: string;
}

/** Who did what in a job. */
export interface JobEvent {
  readonly id: number;
  readonly at: string;
  readonly person: string;
  readonly action: string;
  readonly subject: string;
  readonly detail: unknown;
}

export interface JobSummary extends Job {
  /** As the crib calls them. */
  readonly alloy: string;
  readonly machine: string;
  readonly operations: number;
  readonly minutes: number;
  readonly governing: {
    readonly state: LimitState;
    readonly limit: string;
    readonly operation: string;
    readonly operationId: string;
  } | null;
  /** Something it rests on has changed, and what is shown is being worked out again. */
  readonly pending: boolean;
}

/** An operation as it is found by its name, wherever it is. */
export interface OperationFound {
  readonly id: string;
  readonly name: string;
  readonly jobId: string;
  readonly jobNumber: string;
  readonly part: string;
}

export const VARIANT_LABELS = ['A', 'B', 'C', 'D'] as const;
export type VariantLabel = (typeof VARIANT_LABELS)[number];

export interface Variant {
  readonly id: string;
  readonly label: VariantLabel;
  readonly version: number;
  readonly document: Operation;
  readonly updatedAt: string;
  readonly updatedBy: string;
}

export interface JobOperation {
  readonly id: string;
  readonly setupId: string;
  readonly name: string;
  readonly position: number;
  /** The kind of hole it is a step of, and which; null for anything else. */
  readonly holeId: string | null;
  readonly holeStep: StepKey | null;
  readonly selected: VariantLabel;
  readonly version: number;
  readonly variants: readonly Variant[];
}

export interface Setup {
  readonly id: string;
  readonly name: string;
  readonly position: number;
  readonly plan: SetupPlan;
  readonly version: number;
  readonly operations: readonly JobOperation[];
}

export interface JobDetail {
  readonly job: Job;
  readonly setups: readonly Setup[];
  readonly holes: readonly HoleKindRecord[];
}

const text = (most: number): yup.StringSchema<string> => yup.string().strict().defined().max(most);
const label = (): yup.StringSchema<string> => yup.string().strict().required().trim().max(200);

/** Days a job can be due: of this century. */
const isDay = (text: string | undefined): boolean => {
  // What looks like no date at all is refused for that.
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text ?? '')) return true;
  if (!text?.startsWith('20')) return false;
  const at = new Date(`${text}T00:00:00Z`);
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(text);
};

/** Setups of a job and operations of a setup: more than any route has. */
export const MOST_SETUPS = 50;
export const MOST_OPERATIONS = 500;

export const jobFieldsSchema = yup
  .object({
    number: label().max(40),
    part: label(),
    customer: text(200),
    alloyId: label().max(120),
    machineId: label().max(120),
    quantity: yup.number().strict().integer().min(1).max(100000).required(),
    heatLot: text(80),
    due: yup
      .string()
      .strict()
      .nullable()
      .defined()
      .matches(/^\d{4}-\d{2}-\d{2}$/, '${path} must be a date like 2026-12-01')
      .test('day', '${path} must be a day of this century, like 2026-12-01', (v) => v === null || isDay(v)),
    notes: text(4000),
    plan: jobPlanSchema.optional() as never as yup.Schema<JobPlan | undefined>,
  })
  .noUnknown()
  .required();

/** What a job says of itself, without what is kept about it. */
export const jobFieldsOf = (job: JobFields): JobFields => fieldsOf(jobFieldsSchema as never, job);

export const jobUpdateSchema = jobFieldsSchema.shape({ version: version() });

/** Absent keeps what there is. */
const setupPlan = () => setupPlanSchema.optional() as never as yup.Schema<SetupPlan | undefined>;
export const setupInputSchema = yup.object({ name: label(), plan: setupPlan() }).noUnknown().required();
export const setupUpdateSchema = yup
  .object({ name: label(), plan: setupPlan(), version: version() })
  .noUnknown()
  .required();

export interface OperationInput {
  readonly setupId: string;
  readonly name: string;
  readonly document: Operation;
}
export const operationInputSchema: yup.Schema<OperationInput> = yup
  .object({ setupId: yup.string().strict().uuid().required(), name: label(), document: operationSchema })
  .noUnknown()
  .required();

/** Variants of one operation as they stand in requests and files. */
export const variantsSchema = yup
  .array()
  .of(
    yup
      .object({
        label: yup.string().strict().oneOf(VARIANT_LABELS).required(),
        document: operationSchema,
      })
      .noUnknown()
      .required(),
  )
  .min(1)
  .max(VARIANT_LABELS.length)
  .required();

export interface OperationBack extends Pick<
  JobOperation,
  'setupId' | 'name' | 'selected' | 'holeId' | 'holeStep'
> {
  /** Operations before it in its setup. */
  readonly place: number;
  readonly variants: readonly Pick<Variant, 'label' | 'document'>[];
}
/** An operation taken out before, put back where it stood with all it had. */
export const operationBackSchema: yup.Schema<OperationBack> = yup
  .object({
    setupId: yup.string().strict().uuid().required(),
    name: label(),
    place: yup.number().strict().integer().min(0).max(MOST_OPERATIONS).required(),
    selected: yup.string().strict().oneOf(VARIANT_LABELS).required(),
    variants: variantsSchema,
    holeId: yup.string().strict().uuid().nullable().defined(),
    holeStep: yup
      .string()
      .strict()
      .nullable()
      .defined()
      .oneOf([...STEP_KEYS, null]),
  })
  .noUnknown()
  .required();

export const operationUpdateSchema = yup
  .object({
    name: label(),
    selected: yup.string().strict().oneOf(VARIANT_LABELS).required(),
    version: version(),
  })
  .noUnknown()
  .required();
export type OperationUpdate = yup.InferType<typeof operationUpdateSchema>;

export interface VariantUpdate {
  readonly document: Operation;
  readonly version: number;
}
export const variantUpdateSchema: yup.Schema<VariantUpdate> = yup
  .object({ document: operationSchema, version: version() })
  .noUnknown()
  .required();

/** New order of operations: every operation of the job once, by setup. */
export const routeOrderSchema = yup
  .object({
    setups: yup
      .array()
      .of(
        yup
          .object({
            id: yup.string().strict().uuid().required(),
            operations: yup
              .array()
              .of(yup.string().strict().uuid().required())
              .max(MOST_OPERATIONS)
              .required(),
          })
          .noUnknown()
          .required(),
      )
      .max(MOST_SETUPS)
      .required(),
  })
  .noUnknown()
  .required();
export type RouteOrder = yup.InferType<typeof routeOrderSchema>;

export const revisionSchema = yup
  .object({ reason: label().min(3).max(1000) })
  .noUnknown()
  .required();
