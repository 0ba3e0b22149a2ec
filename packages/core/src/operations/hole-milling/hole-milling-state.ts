import type { OperationContext } from '../context.ts';
import { outerDiameter } from '../../crib/cutter.ts';
import type { HoleMillingOperation } from './hole-milling-operation.ts';
import { type MillingOperation, usualPath } from '../milling/milling-operation.ts';
import { PLAIN_FEATURE } from '../operation.ts';
import { approachSeconds, rapidSeconds } from '../../physics/holes/cycle-time.ts';
import { helicalBore, type HelicalBore } from '../../physics/holes/helical-bore.ts';
import { deadCentre } from '../../physics/path/entry-plan.ts';
import { sizeFactor } from '../../physics/structure/rupture-strength.ts';
import { SHOP_FLOOR, SHOP_FLOOR_MM } from '../shop-floor.ts';
import { type Estimate, over, sensitiveTo, uncertain, plus } from '../../judging/estimate.ts';
import { type MillingState, millingState } from '../milling/milling-state.ts';
import { ruptureSource } from '../sources.ts';
import { holeState, type HoleState, SIZE_MODEL, VARIES } from '../holes/hole-state.ts';

export interface HoleMillingState extends HoleState<HoleMillingOperation> {
  readonly bore: HelicalBore;
  /** The same engagement as a milling cut: of the heaviest helix and of the last. */
  readonly heaviest: MillingState;
  readonly last: MillingState;
  readonly chipMm: number;
  readonly teeth: number;
  readonly arc: number;
  /** What is left of the lean after the spring passes. */
  readonly leftShare: number;
  readonly stressMPa: Estimate;
}

/** A helix as a milling cut with the same arc and the pitch as its depth: force, heat and life are the same. */
function asMilling(op: HoleMillingOperation, toolMm: number, stepoverMm: number): MillingOperation {
  const { hole, cut, kind: _, hole: __, cut: ___, ...base } = op;
  const wide = Math.max(hole.diameterMm, 2 * toolMm);
  return {
    ...base,
    kind: 'milling',
    feature: {
      ...PLAIN_FEATURE,
      kind: 'pocket',
      lengthMm: wide,
      widthMm: wide,
      depthMm: Math.max(hole.depthMm, cut.pitchMm),
      cornerRadiusMm: null,
      allowanceMm: 0,
      wallToleranceMm: 1,
    },
    workholding: { kind: 'fixture', capacityN: null, liftCapacityN: null, releaseC: null },
    forceLaw: 'kienzle',
    path: { ...usualPath('pocket'), strategy: 'levels', entry: { ...usualPath('side').entry } },
    cut: {
      speedRpm: cut.speedRpm,
      feedPerToothMm: cut.feedPerToothMm,
      axialDepthMm: cut.pitchMm,
      radialEngagementMm: stepoverMm,
      direction: 'climb',
    },
  };
}

/** Works out a milled hole once. Input must have been checked. */
export function holeMillingState(op: HoleMillingOperation, context: OperationContext): HoleMillingState {
  const { cutter, machine, substrate } = context;
  const { hole, cut } = op;
  const tool = outerDiameter(cutter);
  const depth = hole.depthMm + (hole.through ? cut.pastFloorMm : 0);
  const bore = helicalBore({
    holeMm: hole.diameterMm,
    startMm: hole.startMm,
    toolMm: tool,
    deadCentreMm: deadCentre(cutter),
    pitchMm: cut.pitchMm,
    depthMm: depth,
    stepovers: cut.stepovers,
    through: hole.through,
  });
  const widest = bore.helices.reduce((a, b) => (b.stepoverMm > a.stepoverMm ? b : a));
  const lastHelix = bore.helices.at(-1)!;
  const heaviest = millingState(asMilling(op, tool, widest.stepoverMm), context);
  const last =
    widest === lastHelix ? heaviest : millingState(asMilling(op, tool, lastHelix.stepoverMm), context);
  const edgeFeed = last.feedRateMmMin;
  const minutes = bore.helices.reduce((sum, h) => sum + h.pathMm / (edgeFeed * h.centreShare), 0);
  const springs =
    (cut.springPasses * (Math.PI * (hole.diameterMm - tool)) * 1.25) / (edgeFeed * lastHelix.centreShare);
  // The cut's stiffness against the tool's: what a pass without new stock leaves.
  const lean = last.deflectionMm;
  const bite = Math.max(0.02, Math.min(lastHelix.stepoverMm, hole.diameterMm / 2));
  const left = (lean.value / (lean.value + bite)) ** cut.springPasses;
  const strength = uncertain(substrate.transverse_rupture_mpa[1] * sizeFactor(tool), ruptureSource(context));
  return {
    ...holeState(op, context, {
      diameterMm: last.diameterInCutMm,
      feedRateMmMin: edgeFeed * lastHelix.centreShare,
      removalCm3Min:
        ((Math.PI / 4) * (hole.diameterMm ** 2 - hole.startMm ** 2) * hole.depthMm) / 1000 / minutes,
      torqueNm: heaviest.torqueNm,
      seconds: {
        cut: (minutes + springs) * 60,
        air:
          approachSeconds(hole.betweenMm, machine) +
          bore.helices.length * rapidSeconds(depth, machine.axes.z),
      },
      life:
        heaviest.lifeMin && heaviest.speedLimitMMin
          ? { lifeMin: heaviest.lifeMin, speedLimitMMin: heaviest.speedLimitMMin, notes: heaviest.lifeNotes }
          : null,
      noLife: heaviest.lifeNotes[0] ?? 'no life model',
      pullOutN: heaviest.pullOutN,
      breaking: over(heaviest.stressMPa, strength),
      sizeErrorMm: plus(
        sensitiveTo({ value: 2 * VARIES * lean.value * left, terms: lean.terms }, SIZE_MODEL, 0.5),
        uncertain(2 * SHOP_FLOOR_MM, SHOP_FLOOR),
      ),
    }),
    powerKw: heaviest.powerKw,
    peakTorqueNm: heaviest.peakTorqueNm,
    bore,
    heaviest,
    last,
    chipMm: heaviest.chipMm,
    teeth: heaviest.teeth,
    arc: heaviest.arc,
    leftShare: left,
    stressMPa: heaviest.stressMPa,
  };
}
