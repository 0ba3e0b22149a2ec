import { spindleSpeed } from '../../physics/cutting/spindle-speed.ts';
import { runIn, threadPasses } from '../../physics/threads/turned-passes.ts';
import type { OperationContext } from '../context.ts';
import { turningWindow } from '../life-state.ts';
import { low } from '../starting.ts';
import { mostOfPass } from './limits/turned-thread.ts';
import { threadDepth, type ThreadTurningOperation } from './thread-turning-operation.ts';
import { THREADED_SPEED } from './thread-turning-state.ts';

const OF_THE_SPINDLE = 0.7;
/** Share of what a pass stands that a first cut takes. */
const EASY = 0.8;
const MOST_PASSES = 40;
/** Run-in a first cut asks for at most, mm. */
const RUN_IN_MM = 15;

/** First numbers of a thread: as many passes as keep the deepest easy, along the flank, a speed the slide can follow. */
export function startingThreadTurning(
  op: ThreadTurningOperation,
  context: OperationContext,
  diameterMm: number,
): ThreadTurningOperation['cut'] {
  const { thread } = op;
  const machine = context.machine;
  const infeed = thread.pitchMm > 1.5 ? ('flank' as const) : ('radial' as const);
  const most = EASY * mostOfPass(thread.pitchMm, context.alloy);
  let passes = 3;
  const deepest = (count: number): number =>
    Math.max(
      ...threadPasses(threadDepth(op), count, {
        angleDeg: thread.flankDeg,
        flatMm: thread.pitchMm / 8,
        infeed,
      }).map((p) => p.addsMm),
    );
  while (passes < MOST_PASSES && deepest(passes) > most) passes++;
  const vc = op.measured.lifeSpeed30MMin ?? THREADED_SPEED * low(turningWindow(context), 60);
  let rpm = Math.min(OF_THE_SPINDLE * machine.max_rpm, spindleSpeed(vc, diameterMm));
  const acceleration = machine.axes.z?.max_accel_m_s2 ?? 3;
  while (rpm > 50 && runIn(thread.pitchMm, rpm, acceleration) > RUN_IN_MM) rpm *= 0.95;
  return {
    speedRpm: Math.max(10, Math.floor(rpm / 10) * 10),
    passes,
    springPasses: 1,
    infeed,
  };
}
