import type { MillingOperation } from '../domain/operation.ts';
import type { OperationContext } from '../domain/context.ts';
import { outerDiameter } from '../domain/cutter.ts';
import type { CycleTime } from '../domain/evaluation.ts';
import type { ForceLaw } from '../forces/force-law.ts';
import { standOfTeeth } from '../forces/one-turn.ts';
import { type ContactHeat, contactTemperature } from '../heat/contact-temperature.ts';
import {
  chipFactor,
  diameterInCut,
  type EdgeBand,
  edgeProfile,
  meanChipFactor,
  widestArc,
} from '../milling/edge-profile.ts';
import { plungeArc, SIDE_STEP } from '../milling/plunge.ts';
import { cuttingSpeed, removalRate, tableFeed } from '../milling/spindle-speed.ts';
import { type PathMinutes, pathMinutes, type PathPlan, planPath } from '../strategies/path-plan.ts';
import { type Estimate, uncertain } from '../uncertainty/estimate.ts';
import type { CutState } from './cut-state.ts';
import { forceLawOf } from './force-law-of.ts';
import { millingLife } from './life-state.ts';
import { type LoadInput, type Loads, loadsOf, type TurnSummary, turnSummary } from './milling-loads.ts';
import { cuttingForceSources, runoutSource } from './sources.ts';

const RAD = Math.PI / 180;

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
  /** Angle from each tooth to the one before it, rad. */
  readonly pitch: readonly number[];
  readonly plan: PathPlan;
  readonly minutes: PathMinutes;
  /** Contact temperature and how far the stay in the cut lets it rise. */
  readonly heat: ContactHeat;
}

/** Conductivity of cemented carbide where a grade states none, W/(m·K). */
const CARBIDE_CONDUCTIVITY = 80;
/** Specific heat of a metal whose crib entry states none, J/(kg·K). */
const USUAL_SPECIFIC_HEAT = 480;

/** Contact temperature of this cut; `arc` and `chip` may be those of another engagement. */
export function heatOf(
  op: MillingOperation,
  { alloy, substrate }: OperationContext,
  cut: {
    readonly vc: number;
    readonly diameter: number;
    readonly arc: number;
    readonly chip: number;
    readonly kc11: number;
  },
): ContactHeat {
  return contactTemperature(
    {
      speedMMin: cut.vc,
      diameterMm: cut.diameter,
      arc: cut.arc,
      chipMm: cut.chip,
      edgeLengthMm: op.cut.axialDepthMm,
    },
    {
      specificForceNMm2: cut.kc11 * cut.chip ** -alloy.kienzle.mc.typical,
      densityKgM3: alloy.density_kg_m3,
      specificHeatJKgK: alloy.specific_heat_j_kgk ?? USUAL_SPECIFIC_HEAT,
      conductivityWMK: alloy.thermal_conductivity_w_mk,
      toolConductivityWMK: substrate.thermal_conductivity_w_mk ?? CARBIDE_CONDUCTIVITY,
      toolDensityKgM3: substrate.density_kg_m3,
    },
  );
}

/** How far each tooth stands out against the one before it, mm, for a tip that runs out by `tirUm` in total. */
function runoutSteps(pitch: readonly number[], tirUm: number): number[] {
  const radii = standOfTeeth(pitch, tirUm);
  return radii.map((r, j) => r - radii[(j + radii.length - 1) % radii.length]!);
}

/** Minutes of one feature on its planned path. */
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

/** What the forces of a turn depend on: edge, teeth, law, runout. Input must have been checked. */
export function millingInput(op: MillingOperation, context: OperationContext): LoadInput {
  const { cutter } = context;
  const { cut } = op;
  const teeth = cutter.properties.ZEFP ?? cutter.properties.NOF ?? 1;
  const diameter = diameterInCut(cutter, cut.axialDepthMm);
  const radial = Math.min(cut.radialEngagementMm, diameter);
  const bands = edgeProfile(cutter, cut.axialDepthMm, radial, cut.direction);
  const plunging = op.path.strategy === 'plunge';
  // A plunge takes its chip along the axis, as thick as the feed.
  const chip = cut.feedPerToothMm * (plunging ? 1 : chipFactor(bands));
  const meanChip = cut.feedPerToothMm * (plunging ? 1 : meanChipFactor(bands));
  const { kc11, sources } = cuttingForceSources(op, context);
  const angles = cutter.extended.pitch_angles_deg;
  const pitch = Array.from({ length: teeth }, (_, j) => (angles?.[j] ?? 360 / teeth) * RAD);
  const { runoutUm, source: runout } = runoutSource(op, context);
  return {
    bands,
    pitch,
    steps: runoutSteps(pitch, runoutUm),
    ...forceLawOf(op, context, kc11, meanChip),
    kc11,
    chip,
    meanChip,
    diameter,
    runout,
    sources,
  };
}

/** Works out a milling cut once, for all limits and numbers. Input must have been checked. */
export function millingState(
  op: MillingOperation,
  context: OperationContext,
  summarise: Summarise = turnSummary,
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
  const heat = once(() => heatOf(op, context, { vc, diameter, arc, chip, kc11 }));

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
    removalCm3Min: removalRate(
      plunging ? SIDE_STEP * diameter : cut.axialDepthMm,
      cut.radialEngagementMm,
      vf,
    ),
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
    get sideForceN() {
      return loads().sideForceN;
    },
    get wallForceN() {
      return loads().wallForceN;
    },
    get liftN() {
      return loads().liftN;
    },
    get leanMm() {
      return loads().leanMm;
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
    get heat() {
      return heat();
    },
  };
}
