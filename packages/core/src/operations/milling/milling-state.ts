import type { MillingOperation } from './milling-operation.ts';
import { thermalPairOf } from '../thermal-pair.ts';
import type { OperationContext } from '../context.ts';
import { outerDiameter } from '../../crib/cutter.ts';
import type { CycleTime } from '../../judging/result.ts';
import type { ForceLaw } from '../../physics/cutting/force-law.ts';
import { type ContactHeat, contactTemperature } from '../../physics/heat/contact-temperature.ts';
import { type EdgeBand, widestArc } from '../../physics/cutting/edge-profile.ts';
import { plungeArc, SIDE_STEP } from '../../physics/cutting/plunge.ts';
import { cuttingSpeed, removalRate, tableFeed } from '../../physics/cutting/spindle-speed.ts';
import { sidesAtOnce } from '../../physics/path/undercut.ts';
import { type PathMinutes, pathMinutes, type PathPlan, planPath } from './path-plan.ts';
import { type Estimate, uncertain } from '../../judging/estimate.ts';
import type { CutState } from '../cut-state.ts';
import { millingLife } from '../life-state.ts';
import { edgeInCut } from './engaged-edge.ts';
import { millingInput } from './milling-input.ts';
import { type LoadInput, type Loads, loadsOf, type TurnSummary, turnSummary } from './milling-loads.ts';
import { type ChatterChance, type StabilityState, stabilityState } from './stability-state.ts';

export interface MillingState extends CutState<MillingOperation>, Loads {
  readonly bands: readonly EdgeBand[];
  readonly teeth: number;
  readonly arc: number;
  /** Thickest chip of an average tooth, mm. */
  readonly chipMm: number;
  readonly meanChipMm: number;
  /** What runout adds to the worst tooth's chip, mm. */
  readonly runoutStep: Estimate;
  readonly law: ForceLaw;
  /** Forces of the same turn with a fresh edge. */
  readonly freshTurn: TurnSummary;
  /** Angle from each tooth to the one before it, rad. */
  readonly pitch: readonly number[];
  readonly plan: PathPlan;
  readonly minutes: PathMinutes;
  /** Contact temperature and how far the stay in the cut lets it rise. */
  readonly heat: ContactHeat;
  /** What decides whether the cut chatters. */
  readonly stability: StabilityState;
}

/** Speed of a face with gaps over that of a whole one, for the same life: every gap is another blow. Judgement. */
const STRUCK = 0.85;

/** Contact temperature of this cut; `arc` and `chip` may be those of another engagement. */
export function heatOf(
  op: MillingOperation,
  context: OperationContext,
  cut: {
    readonly vc: number;
    readonly diameter: number;
    readonly arc: number;
    readonly chip: number;
    readonly kc11: number;
    /** Edge in the cut. */
    readonly edgeMm: number;
  },
): ContactHeat {
  return contactTemperature(
    {
      speedMMin: cut.vc,
      diameterMm: cut.diameter,
      arc: cut.arc,
      chipMm: cut.chip,
      edgeLengthMm: cut.edgeMm,
    },
    thermalPairOf(context, cut.kc11 * cut.chip ** -context.alloy.kienzle.mc.typical),
  );
}

/** Cycle time per feature feature on its planned path. */
function cycleTime(op: MillingOperation, minutes: PathMinutes): CycleTime {
  const cutting = minutes.contact;
  const linking = minutes.link + minutes.air;
  return { cutting, linking, perPart: (cutting + linking) * op.featuresPerPart };
}

function once<T>(work: () => T): () => T {
  let done: { readonly value: T } | undefined;
  return () => (done ??= { value: work() }).value;
}

/** How the forces of a turn are come by: worked out, or read between points worked out before. */
export type Summarise = (op: MillingOperation, context: OperationContext, input: LoadInput) => TurnSummary;

/**
 * Works out a milling cut once, for all limits and numbers. `chatterOf` answers for the chance of chatter where somebody knows it
 * already. Input must have been checked.
 */
export function millingState(
  op: MillingOperation,
  context: OperationContext,
  summarise: Summarise = turnSummary,
  chatterOf?: (op: MillingOperation) => ChatterChance,
): MillingState {
  const { cutter } = context;
  const { cut } = op;
  const input = millingInput(op, context);
  const { bands, pitch, steps, law, chip, meanChip, diameter, runout, kc11 } = input;
  const teeth = pitch.length;
  const vc = cuttingSpeed(cut.speedRpm, diameter);
  const vf = tableFeed(cut.speedRpm, teeth, cut.feedPerToothMm);
  const plunging = op.path.strategy === 'plunge';
  const arc = plunging ? plungeArc(diameter, cut.radialEngagementMm) : widestArc(bands);
  const step = Math.max(...steps, 0);
  const loads = once(() => loadsOf(op, context, input, summarise(op, context, input)));
  const freshTurn = once(() =>
    op.flankWearMm > 0 ? turnSummary(op, context, { ...input, law: input.fresh }) : loads().turn,
  );
  const edgeMm = edgeInCut(op, bands);
  const heat = once(() => heatOf(op, context, { vc, diameter, arc, chip, kc11, edgeMm }));
  const stability = once((): StabilityState => {
    const own = stabilityState(op, context, input);
    return chatterOf ? { ...own, chatter: () => chatterOf(op) } : own;
  });

  const reference = outerDiameter(cutter);
  const life = millingLife(
    op,
    context,
    {
      chipMm: chip,
      radialOverDiameter: cut.radialEngagementMm / reference,
      axialOverDiameter: cut.axialDepthMm / reference,
    },
    vc,
    op.face?.interrupted ? STRUCK : 1,
  );
  const plan = planPath(op, context);
  const minutes = pathMinutes(plan, context, vf);
  return {
    op,
    context,
    speedRpm: cut.speedRpm,
    cuttingSpeedMMin: vc,
    diameterInCutMm: diameter,
    feedRateMmMin: vf,
    removalCm3Min:
      sidesAtOnce(op.feature.undercut, op.feature.widthMm, diameter) *
      removalRate(plunging ? SIDE_STEP * diameter : cut.axialDepthMm, cut.radialEngagementMm, vf),
    // Forces are worked out when a limit first asks: a search over edge length or speed never does.
    get powerKw() {
      return loads().powerKw;
    },
    get torqueNm() {
      return loads().torqueNm;
    },
    get peakTorqueNm() {
      return loads().peakTorqueNm;
    },
    get pullOutN() {
      return loads().pullOutN;
    },
    get turn() {
      return loads().turn;
    },
    get freshTurn() {
      return freshTurn();
    },
    get sideForceN() {
      return loads().sideForceN;
    },
    get wallForceN() {
      return loads().wallForceN;
    },
    get liftN() {
      return loads().liftN;
    },
    get deflectionMm() {
      return loads().deflectionMm;
    },
    get leanOffMm() {
      return loads().leanOffMm;
    },
    get leanIntoMm() {
      return loads().leanIntoMm;
    },
    get leanParts() {
      return loads().leanParts;
    },
    get stressMPa() {
      return loads().stressMPa;
    },
    rating: 's1',
    time: cycleTime(op, minutes),
    lifeMin: life?.lifeMin ?? null,
    speedLimitMMin: life?.speedLimitMMin ?? null,
    lifeNotes: life?.notes ?? ['no life model for this alloy and cutting material'],
    libraryLife: life?.library ?? null,
    bands,
    teeth,
    arc,
    chipMm: chip,
    meanChipMm: meanChip,
    runoutStep: uncertain(Math.max(step, 1e-9), runout),
    law,
    pitch,
    plan,
    minutes,
    get stability() {
      return stability();
    },
    get heat() {
      return heat();
    },
  };
}

/** Fastest speed at which the edge still lasts the shortest life, rpm; Infinity where no life is known. */
export const fastestOfEdge = ({ op, speedLimitMMin, cuttingSpeedMMin }: MillingState): number =>
  speedLimitMMin ? (op.cut.speedRpm * speedLimitMMin.value) / cuttingSpeedMMin : Infinity;
