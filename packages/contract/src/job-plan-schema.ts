import {
  HOLDING_KINDS,
  InputError,
  type Holding,
  type JobPlan,
  PART_FEATURES,
  type PartFeature,
  requireHolding,
  type SetupPlan,
  SIDES,
} from '@burl/core';
import * as yup from 'yup';

/** Features of a part: more than any drawing names one by one. */
export const MOST_FEATURES = 200;

const number = (least: number, most: number): yup.NumberSchema<number> =>
  yup.number().strict().min(least).max(most).required();
const stated = (least: number, most: number) =>
  yup.number().strict().nullable().defined().min(least).max(most);
const words = (most: number): yup.StringSchema<string> => yup.string().strict().defined().max(most);

const featureSchema: yup.Schema<PartFeature> = yup
  .object({
    name: words(80),
    kind: yup.string().strict().oneOf(PART_FEATURES).required(),
    side: yup.string().strict().oneOf(SIDES).required(),
    count: number(1, 5000).integer(),
    lengthMm: number(0.1, 5000),
    widthMm: number(0.05, 5000),
    depthMm: number(0.01, 2000),
    cornerRadiusMm: stated(0.05, 500),
    openEnds: number(0, 2).integer(),
    through: yup.boolean().strict().required(),
    diameterMm: number(0.3, 500),
    thread: yup.string().strict().nullable().defined().max(40),
    toleranceMm: stated(0.001, 10),
    raUm: stated(0.02, 50),
  })
  .noUnknown()
  .required();

const stockSchema = yup
  .object(Object.fromEntries(SIDES.map((s) => [s, number(0, 500)])))
  .noUnknown()
  .required();

/** What a job says of part, blank and batch, with its physical bounds. */
export const jobPlanSchema: yup.Schema<JobPlan> = yup
  .object({
    part: yup
      .object({ lengthMm: number(0.5, 10_000), widthMm: number(0.5, 10_000), heightMm: number(0.2, 5000) })
      .noUnknown()
      .nullable()
      .defined()
      .default(undefined),
    stock: stockSchema as unknown as yup.Schema<JobPlan['stock']>,
    hardness: stated(1, 1000),
    toleranceMm: stated(0.001, 10),
    raUm: stated(0.02, 50),
    spares: number(0, 10_000).integer(),
    blankPrice: stated(0, 1e7),
    firstThroughAll: yup.boolean().strict().required(),
    features: yup.array().of(featureSchema).max(MOST_FEATURES).required(),
  })
  .noUnknown()
  // Absent stays absent: an object of nothing is no plan.
  .default(undefined)
  .required() as never;

const isHolding = (value: unknown): value is Holding => {
  const { kind, values } = (value ?? {}) as Partial<Holding>;
  return (
    (HOLDING_KINDS as readonly unknown[]).includes(kind) && typeof values === 'object' && values !== null
  );
};

const holdingSchema = yup
  .object({
    kind: yup.string().strict().oneOf(HOLDING_KINDS).required(),
    values: yup.object().required(),
  })
  .noUnknown()
  .nullable()
  .defined()
  .default(undefined)
  .test('holding', 'not possible', function (value) {
    // What is of no known kind, or has no numbers, is told by its own field.
    if (!isHolding(value)) return true;
    try {
      requireHolding(value, this.path);
      return true;
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      return new yup.ValidationError(
        error.problems.map((p) =>
          this.createError({ path: p.field, message: p.allowed, params: { value: p.value } }),
        ),
      );
    }
  });

/** What a setup says of machine, place and holding, with its physical bounds. */
export const setupPlanSchema: yup.Schema<SetupPlan> = yup
  .object({
    machineId: yup.string().strict().nullable().defined().max(120),
    up: yup.string().strict().oneOf(SIDES).required(),
    datum: words(200),
    workOffset: words(20),
    holding: holdingSchema,
    fixturePrice: stated(0, 1e7),
    partsPerLoad: number(1, 500).integer(),
    order: yup.string().strict().oneOf(['by-tool', 'by-part']).required(),
    locatesOn: words(200),
    // Absent in setups of before it was asked.
    takenOver: yup.boolean().strict().optional(),
    alone: yup.boolean().strict().required(),
  })
  .noUnknown()
  .default(undefined)
  .required() as never;
