import type { OperationContext, PeriodicVerdict } from '../domain/context.ts';
import type { MillingOperation, Operation } from '../domain/operation.ts';
import { limitDepth } from '../dynamics/periodic/limit-depth.ts';
import { PICTURE } from '../dynamics/periodic/stability-map.ts';
import { problemsOf } from './check-operation.ts';
import { millingState } from './milling-state.ts';

/**
 * The periodic solution at one cut: the number that is approved. Some tenths of a second for a cutter with unequal
 * teeth, so it is worked out by a worker or the server and handed to `evaluate` in the context.
 * Throws InputError on an impossible operation.
 */
export function periodicVerdict(op: MillingOperation, context: OperationContext): PeriodicVerdict {
  const { stability } = millingState(op, context);
  const { depthMm, hz } = limitDepth(stability.cut, stability.structure, op.cut.speedRpm, {
    mostMm: Math.max(op.tooling.stickOutMm, 4 * stability.tipDepthMm),
    width: 0.004,
    resolution: PICTURE,
  });
  return { key: stability.key(), depthMm, hz };
}

/**
 * The context with the periodic verdict of this very cut, where somebody has measured or tried the combination: what a
 * release is judged on. Unchanged for holes and for a combination only the library guesses at.
 */
export function withPeriodic(op: Operation, context: OperationContext): OperationContext {
  if (op.kind !== 'milling' || op.path.strategy === 'plunge' || problemsOf(op, context).length > 0)
    return context;
  const { stability } = millingState(op, context);
  if (stability.knowledge.trust === 'generic' && stability.testCuts === 0) return context;
  return { ...context, periodic: periodicVerdict(op, context) };
}
