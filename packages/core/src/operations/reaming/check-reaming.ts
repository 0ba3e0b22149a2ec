import type { OperationContext } from '../context.ts';
import type { ReamingOperation } from '../hole-operation.ts';
import { checkHole } from '../holes/check-hole.ts';
import type { Inspection } from '../inspection.ts';

/** What a reamed hole may be: what is left for the reamer, how it is drawn out. */
export function checkReaming(op: ReamingOperation, { cutter }: OperationContext, see: Inspection): void {
  checkHole(op, see);
  const { hole } = op;
  const own = cutter.properties.DC ?? 0;
  see.within('hole.startMm', hole.startMm, 0.5 * own, own - 0.005, 'mm');
  see.within('cut.outFeed', op.cut.outFeed, 0.5, 20, 'times the feed in');
}
