import { isHighSpeedSteel, type OperationContext } from '../context.ts';
import type { DrillingOperation } from './drilling-operation.ts';
import type { Operation } from '../operation.ts';
import type { Peck } from '../../physics/holes/peck.ts';
import { type DrillForces, drillForces } from '../../physics/holes/drill-forces.ts';
import { type ChiselEdge, chiselEdge } from '../../physics/holes/chisel-edge.ts';
import {
  loadedPecks,
  type LoadedPeck,
  longestColumn,
  packingFactor,
} from '../../physics/holes/chip-packing.ts';
import { peckingSeconds } from '../../physics/holes/cycle-time.ts';
import { type DrillHeat, drillHeat } from '../../physics/holes/drill-temperature.ts';
import { axisDrift, gradesOf, gradeWidth } from '../../physics/holes/hole-accuracy.ts';
import {
  chipReach,
  evenPecks,
  listedPecks,
  longestStretch,
  type PeckConditions,
  planPecks,
} from '../../physics/holes/peck-plan.ts';
import { cuttingSpeed } from '../../physics/cutting/spindle-speed.ts';
import { bucklingLoad } from '../../physics/structure/buckling.ts';
import { bendSteppedBeam } from '../../physics/structure/stepped-beam.ts';
import { toolBeam } from '../../physics/structure/tool-beam.ts';
import {
  type Estimate,
  over,
  plus,
  scale,
  sensitiveTo,
  type Source,
  uncertain,
} from '../../judging/estimate.ts';
import { holeState, type HoleState, SIZE_MODEL, strengthOf, TWIST_OFF } from '../holes/hole-state.ts';
import { isDifficultToClear } from '../holes/difficult-chips.ts';
import { drillingLife } from '../life-state.ts';
import { thermalPairOf } from '../thermal-pair.ts';
import { cuttingForceSources, ruptureSource } from '../sources.ts';

const THRUST: Source = {
  id: 'thrust-model',
  label: 'thrust of lips from the force ratio, of the chisel edge from strength',
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

export interface DrillingState extends HoleState<DrillingOperation> {
  readonly forces: DrillForces;
  readonly chisel: ChiselEdge;
  /** Work per volume of the hole, J/mm³: turning and pushing. */
  readonly specificWork: number;
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
  readonly loaded: readonly LoadedPeck[];
  readonly heat: DrillHeat;
  /** How far the axis runs off at the bottom, mm. */
  readonly driftMm: Estimate;
  /** Sideways push where the point meets a slope, N. */
  readonly sideN: number;
}

/** Pressure that reaches the point through the tool, bar. */
export function throughPressure(
  op: Pick<Operation, 'coolant'>,
  { machine, cutter, holder }: OperationContext,
): number {
  const canPass =
    op.coolant === 'through-tool' &&
    machine.coolant.through_spindle &&
    cutter.extended.through_coolant === true &&
    holder.coolant.some((c) => c.includes('through'));
  return canPass ? Math.min(machine.coolant.pressure_bar.tsc ?? 0, cutter.properties.CP ?? Infinity) : 0;
}

/** Stretch before breakthrough run at reduced feed, mm: where the cap begins to give way. Rule G-64. */
const slowStretch = (op: DrillingOperation, diameter: number, pointMm: number): number => {
  const each = Math.max(0.5, 0.3 * diameter) + pointMm;
  return (op.hole.through ? each : 0) + op.hole.crossHoles * 2 * each;
};

/** A curved entry counts as this slope, degrees, until somebody states one. */
export const CURVED_SLOPE = 8;
export const entrySlope = ({ hole }: DrillingOperation): number =>
  hole.entrySurface === 'curved' ? Math.max(CURVED_SLOPE, hole.entryAngleDeg) : hole.entryAngleDeg;

const DRIFT_MODEL: Source = {
  id: 'drift-model',
  label: 'run-off of a drilled axis',
  kind: 'assumed',
  sigma: 0.4,
  narrowBy: 'measure the exit of the first holes against their entry',
};

function pecksOf(op: DrillingOperation, conditions: PeckConditions): Peck[] {
  const { depthMm } = conditions;
  const { peck } = op.cut;
  if (peck === 'none' || op.role === 'spot') return [{ fromMm: 0, toMm: depthMm, retract: 'none' }];
  if (peck === 'plan') return planPecks(conditions);
  return typeof peck === 'number'
    ? evenPecks(depthMm, peck, chipReach(conditions).retract)
    : listedPecks(depthMm, peck);
}

const larger = (a: Estimate, b: Estimate): Estimate => (a.value >= b.value ? a : b);

/**
 * What pushes a drill off its axis, N, and how far it drifts, mm: on a slope one lip cuts first and pushes the point down
 * the hill; the drill leans before it is guided.
 */
function offAxis(
  op: DrillingOperation,
  { cutter, substrate }: OperationContext,
  thrustN: number,
  { diameterMm, carbide }: PeckConditions,
): { readonly sideN: number; readonly drift: number } {
  const { hole, tooling } = op;
  const slope = (entrySlope(op) * Math.PI) / 180;
  const sideN = hole.piloted ? 0 : 0.5 * thrustN * Math.sin(slope);
  const unit = bendSteppedBeam(toolBeam(cutter, tooling.stickOutMm, substrate.E_gpa), 1, 1);
  const drift = axisDrift({
    depthMm: hole.depthMm,
    diameterMm,
    carbide,
    guided: hole.piloted,
    crossHoles: hole.crossHoles,
    startDeflection: (unit.tipMm * sideN) / tooling.stickOutMm,
  });
  return { sideN, drift };
}

/** Works out a drilled hole once, for all limits and numbers. Input must have been checked. */
export function drillingState(op: DrillingOperation, context: OperationContext): DrillingState {
  const { alloy, cutter, substrate } = context;
  const p = cutter.properties;
  const { hole } = op;
  // A spot is as wide as its cone; a drill as wide as itself.
  const diameter =
    op.role === 'spot' ? Math.min(hole.diameterMm, p.DC ?? Infinity) : (p.DC ?? hole.diameterMm);
  const { speedRpm, feedPerRevMm } = op.cut;
  const vc = cuttingSpeed(speedRpm, diameter);
  const vf = speedRpm * feedPerRevMm;
  const { kc11, sources } = cuttingForceSources(op, context);
  const mc = alloy.kienzle.mc.typical;
  const kr = alloy.kienzle.radial_to_tangential.typical;
  const lips = cutter.type === 'drill_indexable' ? 1 : 2;
  const forces = drillForces(
    { kc11, mc, kf11: kr * kc11, mf: mc },
    { diameterMm: diameter, pointAngleDeg: p.SIG ?? 140, pilotMm: hole.startMm, lips },
    feedPerRevMm,
    speedRpm,
  );
  // Inserts share the radius and leave no chisel edge.
  const chisel = chiselEdge(
    diameter,
    lips === 1 ? 0.02 : (cutter.extended.core_ratio ?? 0.2),
    hole.startMm,
    feedPerRevMm,
    strengthOf(alloy),
  );
  const wear = 1 + 0.8 * op.flankWearMm;

  const throughBar = throughPressure(op, context);
  const difficult = isDifficultToClear(context);
  const conditions: PeckConditions = {
    depthMm: hole.depthMm,
    diameterMm: diameter,
    carbide: !isHighSpeedSteel(context),
    throughBar,
    difficult,
  };
  const reach = chipReach(conditions);
  const pecks = pecksOf(op, conditions);
  const loaded = loadedPecks(pecks, diameter, throughBar > 0);
  const packing = packingFactor(longestColumn(loaded), reach.first);
  const torque = plus(
    uncertain(forces.torqueNm * wear, ...sources),
    uncertain(Math.max(1e-9, chisel.torqueNm), THRUST),
  );
  const bottomTorqueNm = sensitiveTo(scale(torque, packing), PACKING, 1 - 1 / packing);
  const lipThrust = uncertain(forces.lipThrustN * wear, ...sources, THRUST);
  const thrustN = chisel.thrustN > 0 ? plus(lipThrust, uncertain(chisel.thrustN, THRUST)) : lipThrust;
  const equivalent = TORSION_DIAMETER * diameter;
  const free = Math.max(op.tooling.stickOutMm, hole.depthMm);
  const torsionMPa = scale(bottomTorqueNm, (16 * 1000) / (Math.PI * equivalent ** 3));

  const { sideN, drift } = offAxis(op, context, thrustN.value, conditions);
  const grades = gradesOf(cutter.extended.hole_tolerance);
  const sizeErrorMm =
    op.role === 'drill' && hole.toleranceMm !== null && grades
      ? // A drill makes larger, not smaller: the whole grade lies above.
        uncertain(gradeWidth((grades[0] + grades[1]) / 2, diameter), SIZE_MODEL)
      : null;

  const point = p.PL ?? 0;
  const seconds = peckingSeconds(
    pecks,
    vf,
    { lengthMm: slowStretch(op, diameter, point), share: op.cut.breakthroughFeed },
    hole.through && op.role !== 'spot' ? point + 1 : 0,
    hole.betweenMm,
    context.machine,
  );
  const area = (Math.PI / 4) * (diameter ** 2 - hole.startMm ** 2);
  const buckling = bucklingLoad(
    substrate.E_gpa,
    equivalent,
    free,
    hole.piloted ? 'fixed-pinned' : 'fixed-free',
  );
  const twistOff = uncertain(TWIST_OFF * substrate.transverse_rupture_mpa[1], ruptureSource(context));
  return {
    ...holeState(op, context, {
      diameterMm: diameter,
      feedRateMmMin: vf,
      removalCm3Min: forces.removalCm3Min,
      torqueNm: bottomTorqueNm,
      seconds,
      life: drillingLife(op, context, vc),
      noLife: 'no speed window for drills of this material in this alloy',
      breaking: larger(over(torsionMPa, twistOff), scale(thrustN, 1 / buckling)),
      sizeErrorMm,
      sizeAllowedMm: hole.toleranceMm,
    }),
    forces,
    chisel,
    specificWork:
      (torque.value * 1000 * 2 * Math.PI + thrustN.value * feedPerRevMm) / (area * feedPerRevMm) / 1000,
    depthClass: hole.depthMm / diameter,
    thrustN,
    bottomTorqueNm,
    packingFactor: packing,
    bucklingN: buckling,
    torsionMPa,
    conditions,
    reachDiameters: reach.first,
    pecks,
    longestStretch: longestStretch(pecks, diameter),
    throughBar,
    loaded,
    heat: drillHeat(
      { speedMMin: vc, diameterMm: diameter, chipMm: forces.chipMm, lipMm: forces.lipWidthMm },
      thermalPairOf(context, forces.specificForce),
      throughBar > 0,
    ),
    driftMm: uncertain(drift, DRIFT_MODEL),
    sideN,
  };
}
