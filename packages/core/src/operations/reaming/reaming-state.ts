import type { OperationContext } from '../context.ts';
import type { ReamingOperation } from './reaming-operation.ts';
import { CLEARANCE, approachSeconds } from '../../physics/holes/cycle-time.ts';
import { reamerForces, reamedSize, type ReamedSize } from '../../physics/holes/reaming.ts';
import { cuttingSpeed } from '../../physics/cutting/spindle-speed.ts';
import { over, scale, sensitiveTo, type Source, uncertain } from '../../judging/estimate.ts';
import { reamingLife } from '../life-state.ts';
import { cuttingForceSources, ruptureSource, runoutSource } from '../sources.ts';
import { holeState, type HoleState, SIZE_MODEL, strengthOf, TWIST_OFF } from '../holes/hole-state.ts';

/** Margins rub: their part of a reamer's torque varies most. */
const MARGINS: Source = {
  id: 'margin-friction',
  label: 'friction of the margins',
  kind: 'assumed',
  sigma: 0.35,
  narrowBy: 'read the spindle load of one reamed hole',
};

export interface ReamingState extends HoleState<ReamingOperation> {
  /** On the diameter, mm. */
  readonly allowanceMm: number;
  /** Chip of one tooth, mm. */
  readonly chipMm: number;
  readonly size: ReamedSize;
}

/** Diameter of the round bar a fluted reamer twists like, over DC. */
const TWISTING = 0.7;

/** Works out a reamed hole once. Input must have been checked. */
export function reamingState(op: ReamingOperation, context: OperationContext): ReamingState {
  const { alloy, cutter, substrate } = context;
  const { hole, cut } = op;
  const p = cutter.properties;
  const diameter = p.DC ?? hole.diameterMm;
  const allowance = diameter - hole.startMm;
  const teeth = p.ZEFP ?? p.NOF ?? 6;
  const { kc11, sources } = cuttingForceSources(op, context);
  const f = reamerForces({
    kc11,
    mc: alloy.kienzle.mc.typical,
    diameterMm: diameter,
    allowanceMm: allowance,
    teeth,
    leadDeg: p.KAPR ?? 45,
    feedMm: cut.feedPerRevMm,
  });
  const torque = sensitiveTo(
    uncertain(f.torqueNm * (1 + 1.5 * op.flankWearMm), ...sources),
    MARGINS,
    f.marginShare,
  );
  const vf = cut.speedRpm * cut.feedPerRevMm;
  const past = hole.through ? 2 : 0;
  const length = hole.depthMm + past + CLEARANCE;
  const { runoutUm } = runoutSource(op, context);
  const size = reamedSize({
    diameterMm: diameter,
    strengthMPa: alloy.yield_strength_mpa?.typical ?? 0.8 * strengthOf(alloy),
    modulusGPa: alloy.youngs_modulus_gpa ?? 200,
    runoutUm,
    speedMMin: cuttingSpeed(cut.speedRpm, diameter),
    sticky: alloy.ratings_0_3.built_up_edge,
  });
  const twisting = TWISTING * diameter;
  return {
    ...holeState(op, context, {
      diameterMm: diameter,
      feedRateMmMin: vf,
      removalCm3Min: ((Math.PI / 4) * (diameter ** 2 - hole.startMm ** 2) * vf) / 1000,
      torqueNm: torque,
      seconds: {
        cut: (length / vf) * 60,
        air: approachSeconds(hole.betweenMm, context.machine) + (length / (vf * cut.outFeed)) * 60,
      },
      life: reamingLife(op, context, cuttingSpeed(cut.speedRpm, diameter)),
      noLife: 'no speed window for drills of this material, from which a reamer’s is taken',
      breaking: over(
        scale(torque, (16 * 1000) / (Math.PI * twisting ** 3)),
        uncertain(TWIST_OFF * substrate.transverse_rupture_mpa[1], ruptureSource(context)),
      ),
      // The reamer's own size lies off the middle; what it makes of it adds to that.
      sizeErrorMm: uncertain(Math.max(1e-6, Math.abs(size.changeMm) + size.scatterMm), SIZE_MODEL),
    }),
    allowanceMm: allowance,
    chipMm: f.chipMm,
    size,
  };
}
