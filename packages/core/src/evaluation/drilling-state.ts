import { isHighSpeedSteel, type OperationContext } from '../domain/context.ts';
import type { DrillingOperation } from '../domain/operation.ts';
import type { CycleTime, Peck } from '../domain/evaluation.ts';
import { type DrillForces, drillForces } from '../holes/drill-forces.ts';
import { evenPecks, longestStretch, type PeckConditions, planPecks, chipReach } from '../holes/peck-plan.ts';
import { cuttingSpeed } from '../milling/spindle-speed.ts';
import { bucklingLoad } from '../structure/buckling.ts';
import { type Estimate, exact, scale, sensitiveTo, type Source, uncertain } from '../uncertainty/estimate.ts';
import type { CutState } from './cut-state.ts';
import { drillingLife } from './life-state.ts';
import { DRIVE_EFFICIENCY_VALUE } from './milling-loads.ts';
import { cuttingForceSources, DRIVE_EFFICIENCY } from './sources.ts';

/** Chisel edge pushes metal aside: adds about a third to the thrust of the lips (20 to 50 %). */
const CHISEL_SHARE = 0.35;
const THRUST: Source = {
  id: 'thrust-model',
  label: 'thrust from the force ratio, with a third for the chisel edge',
  kind: 'assumed',
  sigma: 0.25,
  narrowBy: 'read the Z axis load in a trial hole',
};
const PACKING: Source = {
  id: 'chip-packing',
  label: 'torque added by chips in the flutes',
  kind: 'model',
  sigma: 0.35,
  narrowBy: 'watch the spindle load down one hole',
};
/** Diameter of the round bar that twists and buckles like the fluted drill, over DC. */
export const TORSION_DIAMETER = 0.62;

export interface DrillingState extends CutState<DrillingOperation> {
  readonly forces: DrillForces;
  /** Depth in diameters. */
  readonly depthClass: number;
  readonly thrustN: Estimate;
  /** Torque at the bottom of the longest stretch, N·m: cutting and packed chips. */
  readonly bottomTorqueNm: Estimate;
  readonly packingFactor: number;
  readonly bucklingN: number;
  readonly torsionMPa: Estimate;
  readonly conditions: PeckConditions;
  readonly reachDiameters: number;
  readonly pecks: readonly Peck[];
  readonly longestStretch: number;
  readonly throughBar: number;
}

/** Pressure that reaches the point through the tool, bar. */
export function throughPressure(
  op: DrillingOperation,
  { machine, cutter, holder }: OperationContext,
): number {
  const canPass =
    op.coolant === 'through-tool' &&
    machine.coolant.through_spindle &&
    cutter.extended.through_coolant === true &&
    holder.coolant.some((c) => c.includes('through'));
  return canPass ? Math.min(machine.coolant.pressure_bar.tsc ?? 0, cutter.properties.CP ?? Infinity) : 0;
}

/** Strings or work hardening: the alloys whose chips do not fall out by themselves. */
export const isDifficultToClear = ({ alloy }: OperationContext): boolean =>
  alloy.iso513_group === 'S' || alloy.iso513_group === 'M';

/** Seconds for one hole: pecks at feed, retracts and returns at rapid with acceleration. */
function holeSeconds(
  op: DrillingOperation,
  context: OperationContext,
  pecks: readonly Peck[],
  vf: number,
): { cut: number; air: number } {
  const z = context.machine.axes.z;
  const rapid = z.max_feed_mm_min / 60;
  const acceleration = z.max_accel_m_s2 * 1000;
  const move = (distance: number): number => {
    // Triangular profile when the move is too short to reach rapid.
    const ramp = rapid ** 2 / acceleration;
    return distance >= ramp
      ? distance / rapid + rapid / acceleration
      : 2 * Math.sqrt(distance / acceleration);
  };
  const clearance = 2;
  const point = context.cutter.properties.PL ?? 0;
  const breakthrough = op.hole.through ? point + 1 : 0;
  let cut = ((clearance + op.hole.depthMm + breakthrough) / vf) * 60;
  let air = move(op.hole.depthMm + breakthrough + clearance) + move(40);
  for (const peck of pecks) {
    if (peck.retract === 'full') air += 2 * move(peck.toMm + clearance);
    if (peck.retract === 'chip-break') air += 2 * move(0.3);
    if (peck.retract !== 'none') cut += (0.3 / vf) * 60;
  }
  return { cut, air };
}

/** Works out a drilled hole once, for all limits and numbers. Input must have been checked. */
export function drillingState(op: DrillingOperation, context: OperationContext): DrillingState {
  const { alloy, cutter, substrate } = context;
  const p = cutter.properties;
  const diameter = p.DC ?? op.hole.diameterMm;
  const { speedRpm, feedPerRevMm } = op.cut;
  const vc = cuttingSpeed(speedRpm, diameter);
  const vf = speedRpm * feedPerRevMm;
  const { kc11, sources } = cuttingForceSources(op, context);
  const mc = alloy.kienzle.mc.typical;
  const kr = alloy.kienzle.radial_to_tangential.typical;
  const forces = drillForces(
    { kc11, mc, kf11: kr * kc11, mf: mc },
    {
      diameterMm: diameter,
      pointAngleDeg: p.SIG ?? 140,
      pilotMm: 0,
      lips: cutter.type === 'drill_indexable' ? 1 : 2,
    },
    feedPerRevMm,
    speedRpm,
  );
  const wear = 1 + 0.8 * op.flankWearMm;

  const throughBar = throughPressure(op, context);
  const difficult = isDifficultToClear(context);
  const conditions: PeckConditions = {
    depthMm: op.hole.depthMm,
    diameterMm: diameter,
    carbide: !isHighSpeedSteel(context),
    throughBar,
    difficult,
  };
  const reach = chipReach(conditions);
  const pecks: Peck[] =
    op.cut.peck === 'plan'
      ? planPecks(conditions)
      : op.cut.peck === 'none'
        ? [{ fromMm: 0, toMm: op.hole.depthMm, retract: 'none' }]
        : evenPecks(op.hole.depthMm, op.cut.peck, reach.retract);
  const longest = longestStretch(pecks, diameter);
  // Friction of chips in the flute grows with the stretch drilled without clearing, faster past the natural reach.
  const excess = Math.max(0, longest - reach.first);
  const packingFactor = 1 + 0.05 * longest + 0.25 * excess;
  const torque = uncertain(forces.torqueNm * wear, ...sources);
  const bottomTorqueNm = sensitiveTo(scale(torque, packingFactor), PACKING, 1 - 1 / packingFactor);
  const thrust = forces.lipThrustN * (1 + (op.hole.piloted ? CHISEL_SHARE / 2 : CHISEL_SHARE)) * wear;
  const equivalent = TORSION_DIAMETER * diameter;
  const free = Math.max(op.tooling.stickOutMm, op.hole.depthMm);

  const seconds = holeSeconds(op, context, pecks, vf);
  const time: CycleTime = {
    cutting: seconds.cut / 60,
    linking: seconds.air / 60,
    perPart: ((seconds.cut + seconds.air) / 60) * op.featuresPerPart,
  };
  const life = drillingLife(op, context, vc);
  return {
    op,
    context,
    speedRpm,
    cuttingSpeedMMin: vc,
    diameterInCutMm: diameter,
    feedRateMmMin: vf,
    removalCm3Min: forces.removalCm3Min,
    powerKw: sensitiveTo(
      scale(bottomTorqueNm, (2 * Math.PI * speedRpm) / 60000 / DRIVE_EFFICIENCY_VALUE),
      DRIVE_EFFICIENCY,
      -1,
    ),
    torqueNm: bottomTorqueNm,
    peakTorqueNm: bottomTorqueNm,
    rating: 's6_40',
    // The drill pushes itself into the holder; only withdrawal pulls, far less.
    pullOutN: exact(0),
    time,
    lifeMin: life?.lifeMin ?? null,
    speedLimitMMin: life?.speedLimitMMin ?? null,
    lifeNotes: life?.notes ?? ['no speed window for drills of this material in this alloy'],
    forces,
    depthClass: op.hole.depthMm / diameter,
    thrustN: uncertain(thrust, ...sources, THRUST),
    bottomTorqueNm,
    packingFactor,
    bucklingN: bucklingLoad(
      substrate.E_gpa,
      equivalent,
      free,
      op.hole.piloted ? 'fixed-pinned' : 'fixed-free',
    ),
    torsionMPa: scale(bottomTorqueNm, (16 * 1000) / (Math.PI * equivalent ** 3)),
    conditions,
    reachDiameters: reach.first,
    pecks,
    longestStretch: longest,
    throughBar,
  };
}
