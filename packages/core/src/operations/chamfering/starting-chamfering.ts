import type { OperationContext } from '../context.ts';
import type { ChamferingOperation } from '../hole-operation.ts';
import { startingEdgeFeed, startingEdgeSpeed } from '../holes/starting-edge.ts';
import { startingRpm } from '../starting.ts';
import { speedDiameterOfChamfer } from './chamfering-state.ts';

/** First numbers of a chamfer: speed at its own diameter, the cutter's chip. */
export function startingChamfering(
  op: ChamferingOperation,
  context: OperationContext,
): ChamferingOperation['cut'] {
  return {
    ...op.cut,
    speedRpm: startingRpm(context, startingEdgeSpeed(op, context), speedDiameterOfChamfer(op, context)),
    feedPerToothMm: startingEdgeFeed(op, context),
  };
}
