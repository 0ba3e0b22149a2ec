import type { OperationContext } from '../context.ts';
import type { ThreadMillingOperation } from './thread-milling-operation.ts';
import { startingEdgeFeed, startingEdgeSpeed } from '../holes/starting-edge.ts';
import { startingRpm } from '../starting.ts';

/** First numbers of a thread mill. */
export function startingThreadMilling(
  op: ThreadMillingOperation,
  context: OperationContext,
  diameterMm: number,
): ThreadMillingOperation['cut'] {
  return {
    ...op.cut,
    speedRpm: startingRpm(context, startingEdgeSpeed(op, context), diameterMm),
    feedPerToothMm: startingEdgeFeed(op, context),
  };
}
