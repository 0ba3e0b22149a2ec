import type { OperationContext, PeriodicVerdict } from '../domain/context.ts';
import type { MillingOperation } from '../domain/operation.ts';
import { limitDepth } from '../dynamics/periodic/limit-depth.ts';
import { PICTURE } from '../dynamics/periodic/stability-map.ts';
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
