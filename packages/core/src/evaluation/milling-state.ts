import type { MillingOperation } from '../domain/operation.ts';
import type { OperationContext } from '../domain/context.ts';
import { outerDiameter } from '../domain/cutter.ts';
import type { CycleTime } from '../domain/evaluation.ts';
import { type ForceLaw, worn } from '../forces/force-law.ts';
import { kienzle, rakeFactor } from '../forces/kienzle.ts';
import { linearEdge } from '../forces/linear-edge.ts';
import { type MillingForces, millingForces, powerFromTorque } from '../forces/milling-forces.ts';
import { obliqueCoefficients, orthogonalDataFor, orthogonalLaw } from '../forces/oblique.ts';
import {
  chipFactor,
  diameterInCut,
  type EdgeBand,
  edgeProfile,
  meanChipFactor,
  widestArc,
} from '../milling/edge-profile.ts';
import { cuttingSpeed, removalRate, tableFeed } from '../milling/spindle-speed.ts';
import { bendSteppedBeam } from '../structure/stepped-beam.ts';
import { supportCompliance } from '../structure/support-compliance.ts';
import { toolBeam } from '../structure/tool-beam.ts';
import { type Estimate, plus, scale, sensitiveTo, type Source, uncertain } from '../uncertainty/estimate.ts';
import type { CutState } from './cut-state.ts';
import { millingLife } from './life-state.ts';
import {
  BEAM_MODEL,
  clampSource,
  cuttingForceSources,
  DRIVE_EFFICIENCY,
  runoutSource,
  SPINDLE_STIFFNESS,
} from './sources.ts';

const RAD = Math.PI / 180;
/** Angles of one turn at which the forces are summed. */
const POSITIONS = 48;
/** Panels of the arc's integral: three digits, well inside the force model's own band. */
const PANELS = 8;
export const DRIVE_EFFICIENCY_VALUE = 0.8;
/** Share of the tangential force along the axis per tan(helix); estimate of the crib's rules. */
const AXIAL_SHARE = 0.4;
/** Radial over tangential force of a worn flank; crib rules give 2 to 4. */
const WORN_RADIAL = 3;
/** Feed of the way back and of linking moves, as a share of the axis' maximum and at most, mm/min. */
const LINK_SHARE = 0.3;
const LINK_MOST = 10000;

/** What follows from the forces of one turn. */
interface Loads {
  readonly forces: MillingForces;
  readonly powerKw: Estimate;
  readonly torqueNm: Estimate;
  readonly peakTorqueNm: Estimate;
  readonly pullOutN: Estimate;
  readonly sideForceN: Estimate;
  /** Largest force across the feed while a tooth is making the wall, N. */
  readonly wallForceN: Estimate;
  readonly liftN: Estimate;
  /** Bend at the tip under the force on the wall, mm, and its parts. */
  readonly leanMm: Estimate;
  readonly leanParts: {
    readonly tool: number;
    readonly clamp: number;
    readonly holder: number;
    readonly spindle: number;
  };
  /** Largest bending stress with notch factor, MPa. */
  readonly stressMPa: Estimate;
}

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
  readonly levels: number;
  readonly passes: number;
}

/** Stress raised by the root of the flute; judgement rule G-128. */
export const NOTCH_FACTOR = 1.35;

/** How far each tooth stands out against the one before it, mm, for a tip that runs out by `tirUm` in total. */
function runoutSteps(pitch: readonly number[], tirUm: number): number[] {
  const eccentricity = tirUm / 2000;
  let angle = 0;
  const radii = pitch.map((p, j) => eccentricity * Math.cos(j === 0 ? 0 : (angle += p)));
  return radii.map((r, j) => r - radii[(j + radii.length - 1) % radii.length]!);
}

function forceLaw(op: MillingOperation, context: OperationContext, kc11: number, meanChip: number): ForceLaw {
  const { alloy, cutter } = context;
  const p = cutter.properties;
  const helixDeg = p.FHA ?? 0;
  const rakeDeg = p.GAMF ?? alloy.kienzle.reference_rake_deg;
  const k = alloy.kienzle;
  const axial = Math.tan(helixDeg * RAD) * AXIAL_SHARE;
  const kr = k.radial_to_tangential.typical;
  const wear = k.wear_force.add_n_per_mm_edge_per_mm_vb * op.flankWearMm;
  const withWear = (law: ForceLaw): ForceLaw => worn(law, { tangential: wear, radial: WORN_RADIAL * wear });
  const rake = rakeFactor(rakeDeg, k.reference_rake_deg);
  switch (op.forceLaw) {
    case 'kienzle':
      return withWear(kienzle({ kc11: kc11 * rake, mc: k.mc.typical, radialRatio: kr, axialRatio: axial }));
    case 'linear-edge': {
      const e = k.linear_edge_equivalent;
      // The fitted pair belongs to the typical kc1.1; a measured or hardness-corrected one scales it.
      const ratio = (kc11 / k.kc11_n_mm2.typical) * rake;
      const Ktc = e.ktc_n_mm2 * ratio;
      const Kte = e.kte_n_mm * ratio;
      return withWear(
        linearEdge({ Ktc, Kte, Krc: kr * Ktc, Kre: e.kre_over_kte * Kte, Kac: axial * Ktc, Kae: 0 }),
      );
    }
    case 'orthogonal': {
      const data = orthogonalDataFor(alloy.id);
      return withWear(orthogonalLaw(obliqueCoefficients(data, meanChip, rakeDeg, helixDeg)));
    }
  }
}

/** Minutes in and out of the cut for one feature: even levels of `ap`, passes of `ae`, way back in light cuts. */
function cycleTime(
  op: MillingOperation,
  context: OperationContext,
  vf: number,
): CycleTime & { levels: number; passes: number } {
  const { feature, cut } = op;
  const diameter = outerDiameter(context.cutter);
  const levels = Math.max(1, Math.ceil(feature.depthMm / cut.axialDepthMm - 1e-6));
  const across =
    feature.kind === 'slot' ? feature.widthMm : Math.max(feature.widthMm, cut.radialEngagementMm);
  const passes = Math.max(1, Math.ceil(across / cut.radialEngagementMm - 1e-6));
  const inside = feature.kind === 'pocket' || feature.kind === 'slot';
  const run = inside ? Math.max(feature.lengthMm - diameter, diameter / 4) : feature.lengthMm + diameter;
  const cutting = (levels * passes * run) / vf;
  const linkFeed = Math.min(LINK_MOST, LINK_SHARE * context.machine.axes.x.max_feed_mm_min);
  // Light cuts run one way and come back in the air; wide ones go to and fro.
  const back = cut.radialEngagementMm < 0.4 * diameter ? levels * passes * run : levels * run;
  const approaches = levels * (feature.depthMm + 20);
  const linking = (back + approaches) / linkFeed;
  return { cutting, linking, perPart: (cutting + linking) * op.featuresPerPart, levels, passes };
}

function once<T>(work: () => T): () => T {
  let done: { readonly value: T } | undefined;
  return () => (done ??= { value: work() }).value;
}

/**
 * Largest force across the feed, N, at the moments a tooth stands on the wall. Climb makes the wall where the tooth
 * leaves, conventional where it enters; with a helix that point runs up the wall, and where the teeth overlap one
 * always stands there. Source: Budak & Altintas 1994, surface generation point.
 */
function wallMakingForce(
  forces: MillingForces,
  pitch: readonly number[],
  lag: number,
  direction: 'climb' | 'conventional',
): number {
  const wall = direction === 'climb' ? Math.PI : 0;
  const turn = 2 * Math.PI;
  // A straight tooth makes the wall in an instant: count the sample next to it.
  const window = Math.max(lag, turn / forces.positions);
  let largest = 0;
  for (let k = 0; k < forces.positions; k++) {
    const theta = forces.trace[k * 5]!;
    let offset = 0;
    for (let j = 0; j < pitch.length; j++) {
      if (j > 0) offset += pitch[j]!;
      const past = theta - offset - wall;
      if (past - turn * Math.floor(past / turn) > window) continue;
      largest = Math.max(largest, Math.abs(forces.trace[k * 5 + 2]!));
      break;
    }
  }
  return largest;
}

interface LoadInput {
  readonly bands: readonly EdgeBand[];
  readonly pitch: readonly number[];
  readonly steps: readonly number[];
  readonly law: ForceLaw;
  readonly chip: number;
  readonly diameter: number;
  readonly runout: Source;
  readonly sources: readonly Source[];
}

function loadsOf(op: MillingOperation, context: OperationContext, i: LoadInput): Loads {
  const { cutter, machine, holder, substrate } = context;
  const { cut } = op;
  const helix = (cutter.properties.FHA ?? 0) * RAD;
  const forces = millingForces(
    { bands: i.bands, pitch: i.pitch, helix, feedPerToothMm: cut.feedPerToothMm, runoutStepMm: i.steps },
    i.law,
    POSITIONS,
    PANELS,
  );
  // Runout moves the worst tooth's chip by its step; forces follow with the law's exponent, about 3/4.
  const step = Math.max(...i.steps, 0);
  const runoutShare = i.chip > 0 ? (0.75 * step) / (i.chip + step) : 0;
  const force = (value: number): Estimate => uncertain(Math.max(value, 1e-9), ...i.sources);
  const peak = (value: number): Estimate => sensitiveTo(force(value), i.runout, runoutShare);
  const cuttingPower = powerFromTorque(forces.meanTorqueNm, cut.speedRpm);
  let pull = 0;
  let lift = 0;
  for (let k = 0; k < forces.positions; k++) {
    pull = Math.max(pull, forces.trace[k * 5 + 3]!);
    lift = Math.max(lift, -forces.trace[k * 5 + 3]!);
  }

  const lag = (cut.axialDepthMm * Math.tan(helix)) / (i.diameter / 2);
  const onWall = wallMakingForce(forces, i.pitch, lag, cut.direction);
  const wallForceN = peak(onWall);
  const sideForceN = peak(forces.peakFxy);
  const stickOut = op.tooling.stickOutMm;
  const loaded = Math.min(cut.axialDepthMm, stickOut);
  const unit = bendSteppedBeam(toolBeam(cutter, stickOut, substrate.E_gpa), 1, loaded);
  const shank = cutter.properties.DCONMS ?? i.diameter;
  const support = supportCompliance(machine, holder, shank, stickOut - loaded / 2, 'y');
  const leanParts = {
    tool: unit.tipMm * onWall,
    clamp: support.clamp * onWall,
    holder: support.holderBody * onWall,
    spindle: support.spindle * onWall,
  };
  const part = (value: number, source: Source): Estimate =>
    sensitiveTo({ value, terms: wallForceN.terms }, source, 1);
  return {
    forces,
    powerKw: sensitiveTo(force(cuttingPower / DRIVE_EFFICIENCY_VALUE), DRIVE_EFFICIENCY, -1),
    torqueNm: force(forces.meanTorqueNm),
    peakTorqueNm: peak(forces.peakTorqueNm),
    pullOutN: peak(pull),
    sideForceN,
    wallForceN,
    liftN: peak(lift),
    leanMm: plus(
      part(leanParts.tool, BEAM_MODEL),
      part(leanParts.clamp, clampSource(context)),
      part(leanParts.holder, BEAM_MODEL),
      part(leanParts.spindle, SPINDLE_STIFFNESS),
    ),
    leanParts,
    stressMPa: scale(
      sensitiveTo(sideForceN, BEAM_MODEL, 0.5),
      Math.max(...unit.stressAtStartMPa) * NOTCH_FACTOR,
    ),
  };
}

/** Works out a milling cut once, for all limits and numbers. Input must have been checked. */
export function millingState(op: MillingOperation, context: OperationContext): MillingState {
  const { cutter } = context;
  const { cut } = op;
  const p = cutter.properties;
  const teeth = p.ZEFP ?? p.NOF ?? 1;
  const diameter = diameterInCut(cutter, cut.axialDepthMm);
  const bands = edgeProfile(
    cutter,
    cut.axialDepthMm,
    Math.min(cut.radialEngagementMm, diameter),
    cut.direction,
  );
  const vc = cuttingSpeed(cut.speedRpm, diameter);
  const vf = tableFeed(cut.speedRpm, teeth, cut.feedPerToothMm);
  const chip = cut.feedPerToothMm * chipFactor(bands);
  const meanChip = cut.feedPerToothMm * meanChipFactor(bands);

  const { kc11, sources } = cuttingForceSources(op, context);
  const law = forceLaw(op, context, kc11, meanChip);
  const angles = cutter.extended.pitch_angles_deg;
  const pitch = Array.from({ length: teeth }, (_, j) => (angles?.[j] ?? 360 / teeth) * RAD);
  const { runoutUm, source: runout } = runoutSource(op, context);
  const steps = runoutSteps(pitch, runoutUm);
  const step = Math.max(...steps, 0);
  const loads = once(() =>
    loadsOf(op, context, { bands, pitch, steps, law, chip, diameter, runout, sources }),
  );

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
  const time = cycleTime(op, context, vf);
  return {
    op,
    context,
    speedRpm: cut.speedRpm,
    cuttingSpeedMMin: vc,
    diameterInCutMm: diameter,
    feedRateMmMin: vf,
    removalCm3Min: removalRate(cut.axialDepthMm, cut.radialEngagementMm, vf),
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
    get forces() {
      return loads().forces;
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
    time,
    lifeMin: life?.lifeMin ?? null,
    speedLimitMMin: life?.speedLimitMMin ?? null,
    lifeNotes: life?.notes ?? ['no life model for this alloy and cutting material'],
    bands,
    teeth,
    arc: widestArc(bands),
    chipMm: chip,
    meanChipMm: meanChip,
    runoutStep: uncertain(Math.max(step, 1e-9), runout),
    law,
    levels: time.levels,
    passes: time.passes,
  };
}
