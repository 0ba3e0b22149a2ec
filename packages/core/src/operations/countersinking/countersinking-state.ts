import { cuttingSpeed } from '../../physics/cutting/spindle-speed.ts';
import { approachSeconds } from '../../physics/holes/cycle-time.ts';
import { uncertain } from '../../judging/estimate.ts';
import type { OperationContext } from '../context.ts';
import { holeState, type HoleState } from '../holes/hole-state.ts';
import { chamferLife } from '../life-state.ts';
import { cuttingForceSources } from '../sources.ts';
import type { CountersinkingOperation } from './countersinking-operation.ts';

export type CountersinkingState = HoleState<CountersinkingOperation>;

/** Works out a countersink. Input must have been checked. */
export function countersinkingState(
  op: CountersinkingOperation,
  context: OperationContext,
): CountersinkingState {
  const { hole, cut } = op;
  const feed = cut.speedRpm * cut.feedPerRevMm;
  const { kc11, sources } = cuttingForceSources(op, context);
  const force = kc11 * cut.feedPerRevMm * hole.depthMm;
  return holeState(op, context, {
    diameterMm: hole.diameterMm,
    feedRateMmMin: feed,
    removalCm3Min: (Math.PI * hole.diameterMm * hole.depthMm * feed) / 4000,
    torqueNm: uncertain((force * hole.diameterMm) / 4000, ...sources),
    seconds: {
      cut: (hole.depthMm / feed) * 60,
      air: approachSeconds(hole.betweenMm, context.machine),
    },
    life: chamferLife(op, context, cuttingSpeed(cut.speedRpm, hole.diameterMm), cut.feedPerRevMm, 0.1),
    noLife: 'no life model for this alloy and cutting material',
    breaking: null,
    sizeErrorMm: null,
  });
}
