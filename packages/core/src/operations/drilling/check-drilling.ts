import type { OperationContext } from '../context.ts';
import type { DrillingOperation } from './drilling-operation.ts';
import { checkHole } from '../holes/check-hole.ts';
import type { Inspection } from '../inspection.ts';

/** What a drilled hole may be: what is there before, how it is pecked. */
export function checkDrilling(op: DrillingOperation, { cutter }: OperationContext, see: Inspection): void {
  checkHole(op, see);
  const { hole } = op;
  const own = cutter.properties.DC ?? 0;
  const { peck } = op.cut;
  if (op.role === 'spot') see.within('hole.diameterMm', hole.diameterMm, 0.1, own, 'mm');
  if (typeof peck === 'number') see.within('cut.peck', peck, 0.1, Math.max(0.1, hole.depthMm), 'mm');
  if (typeof peck === 'object') {
    const rising = peck.toMm.every((d, i) => d > (peck.toMm[i - 1] ?? 0) && d < hole.depthMm + 1e-9);
    if (!rising || peck.toMm.length > 200)
      see.say('cut.peck.toMm', peck.toMm.join(', '), `rising depths below ${hole.depthMm} mm, 200 at most`);
  }
}
