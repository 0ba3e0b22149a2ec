import { type HoleDemand, type Operation, STEP_KEYS, type StepChanges, type StepKey } from '@burl/core';
import * as yup from 'yup';
import { operationSchema } from './operation-schema.ts';
import { version } from './version.ts';

/** A kind of hole of a job: what is asked, which way was taken, and what was changed in its steps. */
export interface HoleKindRecord {
  readonly id: string;
  readonly position: number;
  readonly demand: HoleDemand;
  /** Id of the way taken; null follows the recommendation. */
  readonly chosen: string | null;
  readonly changes: Readonly<Record<string, StepChanges>>;
  readonly version: number;
}

const number = (): yup.NumberSchema<number> =>
  yup.number().strict().typeError('${path} must be a number').required().max(1e9).min(-1e9);
const orNull = (): yup.NumberSchema<number | null> => yup.number().strict().nullable().defined() as never;
const count = (): yup.NumberSchema<number> => number().integer().min(1).max(5000);

const PATTERNS: Readonly<Record<string, yup.ObjectShape>> = {
  single: {},
  row: { count: count(), pitchMm: number() },
  circle: { count: count(), diameterMm: number() },
  grid: { columns: count(), rows: count(), columnPitchMm: number(), rowPitchMm: number() },
  scattered: { count: count(), betweenMm: number() },
};

const pattern = yup.lazy((value: unknown): yup.Schema<HoleDemand['pattern']> => {
  const kind = (value as { kind?: unknown } | null)?.kind;
  return yup
    .object({
      kind: yup.string().strict().oneOf(Object.keys(PATTERNS)).required(),
      ...(typeof kind === 'string' && Object.hasOwn(PATTERNS, kind) ? PATTERNS[kind] : {}),
    })
    .noUnknown()
    .required() as never;
});

export const demandSchema = yup
  .object({
    name: yup.string().strict().required().trim().max(120),
    thread: yup.string().strict().nullable().defined().max(40),
    diameterMm: number(),
    depthMm: number(),
    drilledDepthMm: orNull(),
    through: yup.boolean().strict().required(),
    grade: orNull(),
    raUm: orNull(),
    straightnessMm: orNull(),
    entrySurface: yup.string().strict().oneOf(['flat', 'curved']).required(),
    entryAngleDeg: number(),
    exitAngleDeg: number(),
    crossHoles: number().integer(),
    chamferMm: number(),
    pattern,
    partValue: orNull(),
  })
  .noUnknown()
  .required();

const change = yup
  .object({
    cutterId: yup.string().strict().max(120),
    leftOut: yup.boolean().strict(),
    speedRpm: yup.number().strict(),
    feedMm: yup.number().strict(),
  })
  .noUnknown();

/** Changes by way and step; unknown ways and steps are refused by name. */
const changes = yup
  .mixed<HoleKindRecord['changes']>()
  .test('changes', '${path} must be changes by way and step', (value) => {
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return false;
    const ways = Object.entries(value as Record<string, unknown>);
    return (
      ways.length <= 20 &&
      ways.every(
        ([way, steps]) =>
          /^[a-z-]{1,30}$/.test(way) &&
          typeof steps === 'object' &&
          steps !== null &&
          Object.entries(steps).every(
            ([key, c]) =>
              (STEP_KEYS as readonly string[]).includes(key) && change.isValidSync(c, { strict: true }),
          ),
      )
    );
  })
  .required();

export interface HoleInput {
  readonly demand: HoleDemand;
}
export const holeInputSchema: yup.Schema<HoleInput> = yup
  .object({ demand: demandSchema })
  .noUnknown()
  .required();

export interface HoleUpdate {
  readonly demand: HoleDemand;
  readonly chosen: string | null;
  readonly changes: HoleKindRecord['changes'];
  readonly version: number;
}
export const holeUpdateSchema: yup.Schema<HoleUpdate> = yup
  .object({
    demand: demandSchema,
    chosen: yup.string().strict().nullable().defined().max(30),
    changes,
    version: version(),
  })
  .noUnknown()
  .required();

export interface HoleSteps {
  readonly setupId: string;
  readonly steps: readonly {
    readonly name: string;
    readonly step: StepKey;
    readonly document: Operation;
  }[];
}
/** The steps of a way, put into the route in the place of the ones there. */
export const holeStepsSchema: yup.Schema<HoleSteps> = yup
  .object({
    setupId: yup.string().strict().uuid().required(),
    steps: yup
      .array()
      .of(
        yup
          .object({
            name: yup.string().strict().required().trim().max(200),
            step: yup.string().strict().oneOf(STEP_KEYS).required(),
            document: operationSchema,
          })
          .noUnknown()
          .required(),
      )
      .min(1)
      .max(12)
      .required(),
  })
  .noUnknown()
  .required();

/** A kind of hole as it stands in a job file. */
export const holeInFileSchema = yup
  .object({ demand: demandSchema, chosen: yup.string().strict().nullable().defined().max(30), changes })
  .noUnknown()
  .required();
