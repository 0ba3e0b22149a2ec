import {
  ARC_SIDES,
  COOLANT_KINDS,
  EDGE_FACES,
  EDGE_FORMS,
  EDGE_SIDES,
  MOST_ELEMENTS,
  PROFILE_KINDS,
  ROTATIONS,
  DRILL_ROLES,
  ENTRY_METHODS,
  FINISHED_FACES,
  FORCE_LAWS,
  type HoleKind,
  MILLING_FEATURES,
  type Operation,
  PART_SUPPORTS,
  INFEEDS,
  TURNING_SIDES,
  GROOVE_WAYS,
  WIDENINGS,
  FACE_ORDERS,
  CATCHES,
  type PeckList,
  STRATEGY_IDS,
  TURNING_WAYS,
  UNDERCUT_FORMS,
  WORKHOLDING_KINDS,
} from '@burl/core';
import * as yup from 'yup';

const number = (): yup.NumberSchema<number> =>
  yup.number().strict().typeError('${path} must be a number').required();
const orNull = (): yup.NumberSchema<number | null> =>
  yup.number().strict().nullable().defined().default(null) as never;
const id = (): yup.StringSchema<string> => yup.string().strict().required().max(120);

const oneOf = <T extends string>(words: readonly T[]) => yup.string().strict().oneOf(words).required();
const support = oneOf(PART_SUPPORTS);

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
    .object({
      machinePerHour: orNull(),
      edgePrice: orNull(),
      edgeChangeMin: orNull(),
      partWorth: orNull(),
      hoursLost: orNull(),
    })
    .noUnknown()
    .required(),
  workedOutFor: yup.object({ alloyId: id(), cutterId: id(), hardness: orNull() }).noUnknown().required(),
  // Absent where the tool sits as its machine has it.
  seat: yup
    .object({ rotation: oneOf(ROTATIONS), edge: oneOf(EDGE_SIDES) })
    .noUnknown()
    .optional()
    .default(undefined),
  // Absent on a milling machine: an operation of before it was asked stays as it is.
  inLathe: yup
    .object({
      turns: oneOf(TURNING_SIDES),
      diameterMm: number(),
      boreMm: number(),
      overhangMm: number(),
      support,
    })
    .noUnknown()
    .default(undefined)
    .optional(),
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
        // Absent where nobody said.
        openEnds: yup.number().strict().oneOf([0, 1, 2]).optional().default(undefined) as never,
        // Absent of every feature but a groove.
        undercut: yup
          .object({
            form: oneOf(UNDERCUT_FORMS),
            throatMm: orNull(),
            floorMm: number(),
            ringMm: orNull(),
            inside: yup.boolean().strict().required(),
            openingMm: orNull(),
          })
          .noUnknown()
          .optional()
          .default(undefined),
        // Absent of roughing and of cuts that make a face at once.
        finishing: yup
          .object({
            face: oneOf(FINISHED_FACES),
            floorStockMm: number(),
            floorMm: number(),
            floorAreaMm2: number(),
            rougherMm: orNull(),
            ribMm: orNull(),
            inTurn: yup.boolean().strict().required(),
            pastFloorMm: number(),
            surface: yup
              .object({ tiltDeg: number(), hollowMm: orNull() })
              .noUnknown()
              .optional()
              .default(undefined),
          })
          .noUnknown()
          .optional()
          .default(undefined),
      })
      .noUnknown()
      .required(),
    // Absent: trammed, inserts as recorded.
    face: yup
      .object({
        wipers: orNull(),
        wiperUm: number(),
        axialRunoutUm: orNull(),
        alongUmPerM: number(),
        acrossUmPerM: number(),
        // Absent in operations of before it was asked: the pass ends flush with the cutter.
        offsetMm: yup.number().strict().nullable().optional(),
        interrupted: yup.boolean().strict().optional(),
        plateMm: yup.number().strict().nullable().optional(),
        spanMm: yup.number().strict().nullable().optional(),
      })
      .noUnknown()
      .optional()
      .default(undefined),
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

const hole = yup
  .object({
    diameterMm: number(),
    depthMm: number(),
    through: yup.boolean().strict().required(),
    entryAngleDeg: number(),
    entrySurface: yup.string().strict().oneOf(['flat', 'curved']).required(),
    exitAngleDeg: number(),
    crossHoles: number().integer(),
    piloted: yup.boolean().strict().required(),
    startMm: number(),
    startDepthMm: orNull(),
    toleranceMm: orNull(),
    straightnessMm: orNull(),
    raUm: orNull(),
    betweenMm: number(),
    partValue: orNull(),
  })
  .noUnknown()
  .required();

const thread = yup
  .object({
    designation: id().max(40),
    majorMm: number(),
    pitchMm: number(),
    flankDeg: number().oneOf([60, 55]),
    taper: number().min(0).max(0.2),
  })
  .noUnknown()
  .required();

const isPeckList = (value: unknown): boolean => {
  const list = value as { toMm?: unknown; retract?: unknown } | null;
  return (
    typeof list === 'object' &&
    list !== null &&
    Array.isArray(list.toMm) &&
    list.toMm.length <= 200 &&
    list.toMm.every((d) => typeof d === 'number' && Number.isFinite(d)) &&
    (list.retract === 'full' || list.retract === 'chip-break') &&
    Object.keys(list).length === 2
  );
};

const perTurn = { speedRpm: number(), feedPerRevMm: number() };
const perTooth = { speedRpm: number(), feedPerToothMm: number() };

/** A step of a hole: what all share, what this one adds, and its cut. */
const step = <K extends HoleKind>(kind: K, cut: yup.ObjectShape, more: yup.ObjectShape = {}) =>
  yup
    .object({
      kind: yup.string().strict().oneOf([kind]).required(),
      ...common,
      hole,
      ...more,
      cut: yup.object(cut).noUnknown().required(),
    })
    .noUnknown()
    .required();

const steps = {
  drilling: step(
    'drilling',
    {
      ...perTurn,
      peck: yup
        .mixed<'plan' | 'none' | number | PeckList>(
          (value): value is 'plan' | 'none' | number | PeckList =>
            value === 'plan' ||
            value === 'none' ||
            (typeof value === 'number' && Number.isFinite(value)) ||
            isPeckList(value),
        )
        .typeError('${path} must be plan, none, a length in mm or a list of depths')
        .required(),
      breakthroughFeed: number(),
    },
    { role: yup.string().strict().oneOf(DRILL_ROLES).required(), followedByDeg: orNull() },
  ),
  reaming: step('reaming', { ...perTurn, outFeed: number() }),
  boring: step('boring', { ...perTurn, passes: number().integer(), springPasses: number().integer() }),
  'hole-milling': step('hole-milling', {
    ...perTooth,
    pitchMm: number(),
    stepovers: number().integer(),
    springPasses: number().integer(),
    pastFloorMm: number(),
  }),
  chamfering: step('chamfering', { ...perTooth, widthMm: number() }),
  tapping: step(
    'tapping',
    { speedRpm: number(), synchronous: yup.boolean().strict().required() },
    { thread },
  ),
  'thread-milling': step(
    'thread-milling',
    { ...perTooth, passes: number().integer(), springPasses: number().integer() },
    { thread },
  ),
} as const;

const edgeMilling = yup
  .object({
    kind: oneOf(['edge-milling']),
    ...common,
    edge: yup
      .object({
        form: oneOf(EDGE_FORMS),
        face: oneOf(EDGE_FACES),
        sizeMm: number(),
        lengthMm: number(),
        angleDeg: number(),
        depthMm: orNull(),
        openingMm: orNull(),
        insideRadiusMm: orNull(),
        wanderMm: number(),
        leastMm: orNull(),
        mostMm: orNull(),
      })
      .noUnknown()
      .required(),
    cut: yup
      .object({
        ...perTooth,
        offTipMm: number(),
        passes: number().integer(),
        direction: oneOf(['climb', 'conventional']),
      })
      .noUnknown()
      .required(),
  })
  .noUnknown()
  .required();

const profile = yup
  .object({
    startMm: number(),
    elements: yup
      .array()
      .of(
        yup
          .object({
            kind: oneOf(PROFILE_KINDS),
            toMm: number(),
            lengthMm: number(),
            radiusMm: orNull(),
            side: oneOf(ARC_SIDES),
          })
          .noUnknown(),
      )
      .max(MOST_ELEMENTS)
      .required(),
    skinMm: orNull(),
    cornerMm: orNull(),
  })
  .noUnknown()
  .nullable()
  .optional()
  .default(undefined);

const turning = yup
  .object({
    kind: yup.string().strict().oneOf(['turning']).required(),
    ...common,
    stretch: yup
      .object({
        way: oneOf(TURNING_WAYS),
        startMm: number(),
        endMm: number(),
        lengthMm: number(),
        overhangMm: number(),
        boreMm: number(),
        support,
        // Absent in operations of before they were asked.
        outerMm: yup.number().strict().nullable().optional(),
        profile,
        interrupted: yup.boolean().strict().required(),
        toleranceMm: orNull(),
        raUm: orNull(),
      })
      .noUnknown()
      .required(),
    cut: yup
      .object({
        ...perTurn,
        capRpm: number(),
        depthMm: number(),
        // Absent in operations of before it was asked: one depth.
        varied: yup.boolean().strict().optional(),
      })
      .noUnknown()
      .required(),
  })
  .noUnknown()
  .required();

const grooving = yup
  .object({
    kind: oneOf(['grooving']),
    ...common,
    groove: yup
      .object({
        way: oneOf(GROOVE_WAYS),
        startMm: number(),
        endMm: number(),
        lengthMm: number(),
        fromEndMm: number(),
        overhangMm: number(),
        boreMm: number(),
        support,
        cornerMm: orNull(),
        toleranceMm: orNull(),
        raUm: orNull(),
        caughtBy: oneOf(CATCHES),
      })
      .noUnknown()
      .required(),
    cut: yup
      .object({
        ...perTurn,
        capRpm: number(),
        depthMm: number(),
        stepMm: number(),
        widenBy: oneOf(WIDENINGS),
        firstPlunge: oneOf(FACE_ORDERS),
        slowBelowMm: number(),
        slowShare: number(),
      })
      .noUnknown()
      .required(),
  })
  .noUnknown()
  .required();

const threadTurning = yup
  .object({
    kind: oneOf(['thread-turning']),
    ...common,
    thread,
    turned: yup
      .object({
        internal: yup.boolean().strict().required(),
        lengthMm: number(),
        fromEndMm: number(),
        runOutMm: number(),
        // Absent is right-hand.
        leftHand: yup.boolean().strict().optional(),
        overhangMm: number(),
        boreMm: number(),
        support,
      })
      .noUnknown()
      .required(),
    cut: yup
      .object({
        speedRpm: number(),
        passes: number().integer(),
        springPasses: number().integer(),
        infeed: oneOf(INFEEDS),
      })
      .noUnknown()
      .required(),
  })
  .noUnknown()
  .required();

/** Every kind of operation by its shape. */
export const OPERATION_SHAPES = {
  milling,
  ...steps,
  'edge-milling': edgeMilling,
  turning,
  grooving,
  'thread-turning': threadTurning,
} as const;

/** An operation's parameters as they cross the wire and stand in files: shape only; the core judges the values. */
export const operationSchema = yup.lazy((value: unknown) => {
  const kind = (value as { kind?: unknown } | null)?.kind;
  const known = typeof kind === 'string' && Object.hasOwn(OPERATION_SHAPES, kind);
  return (known ? OPERATION_SHAPES[kind as keyof typeof OPERATION_SHAPES] : milling) as never;
}) as unknown as yup.Schema<Operation>;
