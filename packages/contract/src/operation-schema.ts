import {
  COOLANT_KINDS,
  ENTRY_METHODS,
  FORCE_LAWS,
  MILLING_FEATURES,
  type Operation,
  STRATEGY_IDS,
  WORKHOLDING_KINDS,
} from '@burl/core';
import * as yup from 'yup';

const number = (): yup.NumberSchema<number> =>
  yup.number().strict().typeError('${path} must be a number').required();
const orNull = (): yup.NumberSchema<number | null> =>
  yup.number().strict().nullable().defined().default(null) as never;
const id = (): yup.StringSchema<string> => yup.string().strict().required().max(120);

const measured = yup
  .object({ hardness: orNull(), runoutUm: orNull(), lifeSpeed30MMin: orNull(), kc11NMm2: orNull() })
  .noUnknown()
  .required();

const common = {
  alloyId: id(),
  machineId: id(),
  tooling: yup.object({ cutterId: id(), holderId: id(), stickOutMm: number() }).noUnknown().required(),
  coolant: yup.string().strict().oneOf(COOLANT_KINDS).required(),
  measured,
  flankWearMm: number(),
  featuresPerEdge: number().integer(),
  featuresPerPart: number().integer(),
  edgesOnShelf: orNull(),
  economics: yup
    .object({ machinePerHour: orNull(), edgePrice: orNull(), edgeChangeMin: orNull() })
    .noUnknown()
    .required(),
  workedOutFor: yup.object({ alloyId: id(), cutterId: id(), hardness: orNull() }).noUnknown().required(),
  pins: yup.array().of(yup.string().strict().required().max(8)).max(12).required(),
  notes: yup.string().strict().defined().max(4000),
};

const milling = yup
  .object({
    kind: yup.string().strict().oneOf(['milling']).required(),
    ...common,
    feature: yup
      .object({
        kind: yup.string().strict().oneOf(MILLING_FEATURES).required(),
        lengthMm: number(),
        widthMm: number(),
        depthMm: number(),
        cornerRadiusMm: orNull(),
        island: yup
          .object({ lengthMm: number(), widthMm: number() })
          .noUnknown()
          .nullable()
          .defined()
          .default(null),
        stockMm: orNull(),
        through: yup.boolean().strict().required(),
        slopeDeg: number(),
        allowanceMm: number(),
        wallToleranceMm: number(),
        raUm: orNull(),
        scallopMm: orNull(),
      })
      .noUnknown()
      .required(),
    workholding: yup
      .object({
        kind: yup.string().strict().oneOf(WORKHOLDING_KINDS).required(),
        capacityN: orNull(),
        liftCapacityN: orNull(),
        releaseC: orNull(),
      })
      .noUnknown()
      .required(),
    forceLaw: yup.string().strict().oneOf(FORCE_LAWS).required(),
    path: yup
      .object({
        strategy: yup.string().strict().oneOf(STRATEGY_IDS).required(),
        entry: yup
          .object({
            method: yup.string().strict().oneOf(ENTRY_METHODS).required(),
            rampAngleDeg: orNull(),
            helixDiameterMm: orNull(),
            startHeightMm: number(),
            taperDeg: number(),
          })
          .noUnknown()
          .required(),
        cornerPathRadiusMm: orNull(),
        leadInRadiusMm: orNull(),
        toleranceMm: number(),
        blocks: yup.string().strict().oneOf(['arcs', 'lines']).required(),
        springPasses: number().integer(),
      })
      .noUnknown()
      .required(),
    cut: yup
      .object({
        speedRpm: number(),
        feedPerToothMm: number(),
        axialDepthMm: number(),
        radialEngagementMm: number(),
        direction: yup.string().strict().oneOf(['climb', 'conventional']).required(),
      })
      .noUnknown()
      .required(),
  })
  .noUnknown()
  .required();

const drilling = yup
  .object({
    kind: yup.string().strict().oneOf(['drilling']).required(),
    ...common,
    hole: yup
      .object({
        diameterMm: number(),
        depthMm: number(),
        through: yup.boolean().strict().required(),
        entryAngleDeg: number(),
        piloted: yup.boolean().strict().required(),
      })
      .noUnknown()
      .required(),
    cut: yup
      .object({
        speedRpm: number(),
        feedPerRevMm: number(),
        peck: yup
          .mixed<'plan' | 'none' | number>(
            (value): value is 'plan' | 'none' | number =>
              value === 'plan' || value === 'none' || (typeof value === 'number' && Number.isFinite(value)),
          )
          .typeError('${path} must be plan, none or a length in mm')
          .required(),
      })
      .noUnknown()
      .required(),
  })
  .noUnknown()
  .required();

/** An operation's parameters as they cross the wire and stand in files: shape only; the core judges the values. */
export const operationSchema = yup.lazy((value: unknown) =>
  (value as { kind?: unknown } | null)?.kind === 'drilling' ? (drilling as never) : (milling as never),
) as unknown as yup.Schema<Operation>;

export const OPERATION_SHAPES = { milling, drilling } as const;
