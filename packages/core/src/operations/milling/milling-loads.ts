import type { OperationContext } from '../context.ts';
import { heightInCut } from './engaged-edge.ts';
import type { MillingOperation } from './milling-operation.ts';
import type { EdgeForce, ForceLaw } from '../../physics/cutting/force-law.ts';
import { type MillingForces, millingForces, powerFromTorque } from '../../physics/cutting/milling-forces.ts';
import type { EdgeBand } from '../../physics/cutting/edge-profile.ts';
import { plungeForces } from '../../physics/cutting/plunge.ts';
import { bendSteppedBeam } from '../../physics/structure/stepped-beam.ts';
import { supportCompliance } from '../../physics/structure/support-compliance.ts';
import { NOTCH_FACTOR } from '../../physics/structure/rupture-strength.ts';
import { toolBeam } from '../../physics/structure/tool-beam.ts';
import {
  type Estimate,
  plus,
  scale,
  sensitiveTo,
  type Source,
  type Term,
  times,
  uncertain,
} from '../../judging/estimate.ts';
import { helixOf } from './force-law-of.ts';
import {
  BEAM_MODEL,
  clampSource,
  driveEfficiency,
  FORCE_MODEL,
  SPINDLE_STIFFNESS,
  WEAR_FORCE,
} from '../sources.ts';

/** Angles of one turn at which the forces are summed. */
const POSITIONS = 48;
/** Panels of the arc's integral: three digits, well inside the force model's own band. */
const PANELS = 8;

/** The forces of one turn as far as limits ask for them; N and N·m. */
export interface TurnSummary {
  readonly meanFx: number;
  readonly meanFy: number;
  readonly meanTorqueNm: number;
  readonly peakTorqueNm: number;
  readonly peakFxy: number;
  /** Largest pull along the axis out of the holder. */
  readonly pullN: number;
  /** Push across the feed while a tooth makes the wall: away from it and into it, mean over the teeth of each one's largest. */
  readonly offWallN: number;
  readonly intoWallN: number;
}

/** What follows from the forces of one revolution. */
export interface Loads {
  readonly turn: TurnSummary;
  readonly powerKw: Estimate;
  readonly torqueNm: Estimate;
  readonly peakTorqueNm: Estimate;
  readonly pullOutN: Estimate;
  readonly sideForceN: Estimate;
  /** The larger push across the feed while a tooth is making the wall, N. */
  readonly wallForceN: Estimate;
  readonly liftN: Estimate;
  /** Bend at the tip under that push, mm, and its parts. */
  readonly deflectionMm: Estimate;
  /** Bend away from the wall and into it, mm. */
  readonly leanOffMm: Estimate;
  readonly leanIntoMm: Estimate;
  readonly leanParts: {
    readonly tool: number;
    readonly clamp: number;
    readonly holder: number;
    readonly spindle: number;
  };
  /** Largest bending stress with notch factor, MPa. */
  readonly stressMPa: Estimate;
}

/**
 * Push across the feed, N, along y, at the moments each tooth stands on the wall at φ = `wall`: mean over the teeth of each one's
 * largest in either direction. Climb makes the wall where the tooth leaves, conventional where it enters; with a helix that
 * point runs up the wall. Budak & Altintas 1994, surface generation point.
 */
function pushesOnWall(
  forces: MillingForces,
  pitch: readonly number[],
  lag: number,
  wall: number,
): { readonly plus: number; readonly minus: number } {
  const turn = 2 * Math.PI;
  // A straight tooth makes the wall in an instant: count the sample next to it.
  const window = Math.max(lag, turn / forces.positions);
  let offset = 0;
  let [plusSum, minusSum] = [0, 0];
  for (let j = 0; j < pitch.length; j++) {
    if (j > 0) offset += pitch[j]!;
    let [plus, minus] = [0, 0];
    for (let k = 0; k < forces.positions; k++) {
      const past = forces.trace[k * 5]! - offset - wall;
      if (past - turn * Math.floor(past / turn) > window) continue;
      const fy = forces.trace[k * 5 + 2]!;
      if (fy > plus) plus = fy;
      if (-fy > minus) minus = -fy;
    }
    plusSum += plus;
    minusSum += minus;
  }
  return { plus: plusSum / pitch.length, minus: minusSum / pitch.length };
}

/** Pushes off the wall and into it; a slot has one of each kind of wall. A force along +y leaves the climb wall and enters the other. */
function wallPushes(
  op: MillingOperation,
  forces: MillingForces,
  pitch: readonly number[],
  lag: number,
): { readonly offWallN: number; readonly intoWallN: number } {
  const slot = op.feature.kind === 'slot';
  const climb =
    slot || op.cut.direction === 'climb' ? pushesOnWall(forces, pitch, lag, Math.PI) : { plus: 0, minus: 0 };
  const conventional =
    slot || op.cut.direction === 'conventional' ? pushesOnWall(forces, pitch, lag, 0) : { plus: 0, minus: 0 };
  return {
    offWallN: Math.max(climb.plus, conventional.minus),
    intoWallN: Math.max(climb.minus, conventional.plus),
  };
}

/** What the forces of a turn depend on. */
export interface LoadInput {
  readonly bands: readonly EdgeBand[];
  readonly pitch: readonly number[];
  readonly steps: readonly number[];
  readonly law: ForceLaw;
  /** The same law on a fresh edge; the very same object where no wear is assumed. */
  readonly fresh: ForceLaw;
  /** Specific cutting force of an average lot, N/mm². */
  readonly kc11: number;
  /** Thickest and mean chip of an average tooth, mm. */
  readonly chip: number;
  readonly meanChip: number;
  readonly diameter: number;
  readonly runout: Source;
  readonly sources: readonly Source[];
}

/** Forces of one turn, summed up. */
export function turnSummary(op: MillingOperation, context: OperationContext, i: LoadInput): TurnSummary {
  const { cut } = op;
  const helix = helixOf(context);
  const forces =
    op.path.strategy === 'plunge'
      ? plungeForces(i.law, i.diameter, i.pitch.length, cut.radialEngagementMm, cut.feedPerToothMm, POSITIONS)
      : millingForces(
          {
            bands: i.bands,
            pitch: i.pitch,
            helix,
            feedPerToothMm: cut.feedPerToothMm,
            runoutStepMm: i.steps,
          },
          i.law,
          POSITIONS,
          PANELS,
        );
  let pull = 0;
  for (let k = 0; k < forces.positions; k++) pull = Math.max(pull, forces.trace[k * 5 + 3]!);
  const lag = (heightInCut(op, i.bands) * Math.tan(helix)) / (i.diameter / 2);
  return {
    meanFx: forces.meanFx,
    meanFy: forces.meanFy,
    meanTorqueNm: forces.meanTorqueNm,
    peakTorqueNm: forces.peakTorqueNm,
    peakFxy: forces.peakFxy,
    pullN: pull,
    ...wallPushes(op, forces, i.pitch, lag),
  };
}

/** Part of torque and of side force that comes from cutting and not from the worn flank, at the mean chip. */
function cuttingShares(i: LoadInput): { torque: number; side: number } {
  const { fresh, law, meanChip } = i;
  if (fresh === law || meanChip <= 0) return { torque: 1, side: 1 };
  const [a, b]: [EdgeForce, EdgeForce] = [
    { tangential: 0, radial: 0, axial: 0 },
    { tangential: 0, radial: 0, axial: 0 },
  ];
  fresh.at(meanChip, a);
  law.at(meanChip, b);
  return {
    torque: a.tangential / b.tangential,
    side: Math.hypot(a.tangential, a.radial) / Math.hypot(b.tangential, b.radial),
  };
}

/** What the forces of one turn do to spindle, holder, tool and wall. */
export function loadsOf(
  op: MillingOperation,
  context: OperationContext,
  i: LoadInput,
  turn: TurnSummary,
): Loads {
  const { cutter, machine, holder, substrate } = context;
  const { cut } = op;
  // Runout moves the worst tooth's chip by its step; forces follow with the law's exponent, about 3/4.
  const step = Math.max(...i.steps, 0);
  const runoutShare = i.chip > 0 ? (0.75 * step) / (i.chip + step) : 0;
  const worn = cuttingShares(i);
  // The flank's friction does not follow kc: only the cutting part of a force does.
  /** What a force rests on whose share comes from the chip, not from the worn edge. */
  const termsAt = (share: number): readonly Term[] => [
    ...i.sources.map((source) => ({ source, sensitivity: source.id === FORCE_MODEL.id ? 1 : share })),
    ...(share < 1 ? [{ source: WEAR_FORCE, sensitivity: 1 - share }] : []),
  ];
  const torque = termsAt(worn.torque);
  const struck = (terms: readonly Term[]): readonly Term[] =>
    sensitiveTo({ value: 1, terms }, i.runout, runoutShare).terms;
  const side = struck(termsAt(worn.side));
  const force = (value: number, terms: readonly Term[]): Estimate => ({
    value: Math.max(value, 1e-9),
    terms,
  });
  const cuttingPower = powerFromTorque(turn.meanTorqueNm, cut.speedRpm);
  const onWall = Math.max(turn.offWallN, turn.intoWallN);
  const wallForceN = force(onWall, side);
  const sideForceN = force(turn.peakFxy, side);
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
  // All four give under one force: what that rests on counts once.
  const give = plus(
    uncertain(leanParts.tool, BEAM_MODEL),
    uncertain(leanParts.clamp, clampSource(context)),
    uncertain(leanParts.holder, BEAM_MODEL),
    uncertain(leanParts.spindle, SPINDLE_STIFFNESS),
  );
  const deflectionMm = { value: give.value, terms: times({ value: 1, terms: side }, give).terms };
  const leanUnder = (pushN: number): Estimate => scale(deflectionMm, onWall > 0 ? pushN / onWall : 0);
  const drive = driveEfficiency(context);
  return {
    turn,
    powerKw: sensitiveTo(force(cuttingPower / drive.value, torque), drive.source, -1),
    torqueNm: force(turn.meanTorqueNm, torque),
    peakTorqueNm: force(turn.peakTorqueNm, struck(torque)),
    pullOutN: force(turn.pullN, side),
    sideForceN,
    wallForceN,
    // What pulls the tool out of its holder lifts the part off its seat with the same force.
    liftN: force(turn.pullN, side),
    deflectionMm,
    leanOffMm: leanUnder(turn.offWallN),
    leanIntoMm: leanUnder(turn.intoWallN),
    leanParts,
    stressMPa: scale(
      sensitiveTo(sideForceN, BEAM_MODEL, 0.75),
      Math.max(...unit.stressAtStartMPa) * NOTCH_FACTOR,
    ),
  };
}
