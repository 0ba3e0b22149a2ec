import type { OperationContext } from '../context.ts';
import type { TappingOperation } from './tapping-operation.ts';
import { approachSeconds } from '../../physics/holes/cycle-time.ts';
import { type TapTorque, tapTorque } from '../../physics/threads/tap-torque.ts';
import { heightFormed, heightForPilot } from '../../physics/threads/thread-geometry.ts';
import { cuttingSpeed } from '../../physics/cutting/spindle-speed.ts';
import { type Estimate, exact, over, sensitiveTo, type Source, uncertain } from '../../judging/estimate.ts';
import { tappingLife } from '../life-state.ts';
import { cuttingForceSources, ruptureSource } from '../sources.ts';
import { holeState, type HoleState, TWIST_OFF } from '../holes/hole-state.ts';

/** Tapping tests stand ±40% about any formula. */
const TAP_MODEL: Source = {
  id: 'tap-torque-model',
  label: 'torque of a tap by kc·P²·D/8000',
  kind: 'assumed',
  sigma: 0.27,
  narrowBy: 'read the spindle torque of one tapped trial hole',
};
const TAP_PACKING: Source = {
  id: 'tap-packing',
  label: 'chips in the flutes of the tap',
  kind: 'model',
  sigma: 0.35,
  narrowBy: 'watch the torque down one tapped hole',
};

export interface TappingState extends HoleState<TappingOperation> {
  readonly torque: TapTorque;
  /** Torque that twists this tap off, N·m. */
  readonly breakNm: Estimate;
  readonly forming: boolean;
  readonly heightPercent: number;
  /** Threads the chamfer and the run-out need below the last full one, mm. */
  readonly runOutMm: number;
}

/** Diameter of the round bar a tap twists off like, over its nominal one: flutes leave a thin core. */
const CORE = 0.47;

/** Seconds a synchronous spindle takes to stop and turn back at the bottom, per 1,000 rpm. */
const REVERSAL_S = 0.25;

/** Works out a tapped hole once. Input must have been checked. */
export function tappingState(op: TappingOperation, context: OperationContext): TappingState {
  const { alloy, cutter, substrate } = context;
  const { hole, thread, cut } = op;
  const p = cutter.properties;
  const forming = cutter.type === 'tap_forming';
  const teeth = p.NOF ?? 3;
  const chamfer = Number(p['THL'] ?? 2.5);
  const { kc11, sources } = cuttingForceSources(op, context);
  const radial = (thread.majorMm - hole.startMm) / 2;
  // The chamfer shares the depth among its teeth.
  const chip = Math.max(0.01, radial / (teeth * chamfer));
  const torque = tapTorque(kc11 * chip ** -alloy.kienzle.mc.typical, {
    thread,
    holeMm: hole.startMm,
    depthMm: hole.depthMm,
    through: hole.through,
    forming,
    flankWearMm: op.flankWearMm,
  });
  const torqueNm = sensitiveTo(
    uncertain(torque.bottomNm, ...sources, TAP_MODEL),
    TAP_PACKING,
    1 - 1 / torque.packing,
  );
  const core = CORE * thread.majorMm;
  const breakNm = uncertain(
    (TWIST_OFF * substrate.transverse_rupture_mpa[1] * Math.PI * core ** 3) / 16 / 1000,
    ruptureSource(context),
  );
  const vf = cut.speedRpm * thread.pitchMm;
  const runOut = hole.through ? chamfer * thread.pitchMm : (chamfer + 1.5) * thread.pitchMm;
  const way = hole.depthMm + runOut + 3;
  const vc = cuttingSpeed(cut.speedRpm, thread.majorMm);
  return {
    ...holeState(op, context, {
      diameterMm: thread.majorMm,
      feedRateMmMin: vf,
      removalCm3Min: (radial * thread.pitchMm * 0.5 * Math.PI * thread.majorMm * cut.speedRpm) / 1000,
      torqueNm,
      seconds: {
        cut: (way / vf) * 60 + (REVERSAL_S * cut.speedRpm) / 1000,
        air: (way / vf) * 60 + approachSeconds(hole.betweenMm, context.machine),
      },
      life: tappingLife(op, context, vc),
      noLife: 'taps are not used in this alloy: the crib has no speed window for them',
      // A tap that pulls its own feed needs no grip along the axis.
      pullOutN: exact(0),
      breaking: over(torqueNm, breakNm),
      sizeErrorMm: null,
      sizeAllowedMm: null,
    }),
    torque,
    breakNm,
    forming,
    heightPercent: forming ? heightFormed(thread, hole.startMm) : heightForPilot(thread, hole.startMm),
    runOutMm: runOut,
  };
}
