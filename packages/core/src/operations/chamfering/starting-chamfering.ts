import type { OperationContext } from '../context.ts';
import type { ChamferingOperation } from './chamfering-operation.ts';
import { startingEdgeFeed, startingEdgeSpeed } from '../holes/starting-edge.ts';
import { startingRpm } from '../starting.ts';

/** First numbers of a chamfer: speed at its own diameter, the cutter's chip. */
export function startingChamfering(
  op: ChamferingOperation,
  context: OperationContext,
  diameterMm: number,
): ChamferingOperation['cut'] {
  return {
    ...op.cut,
    speedRpm: startingRpm(context, startingEdgeSpeed(op, context), diameterMm),
    feedPerToothMm: startingEdgeFeed(op, context),
  };
}
