import type { OperationContext } from '../context.ts';
import type { BoringOperation } from '../hole-operation.ts';
import { checkHole } from '../holes/check-hole.ts';
import type { Inspection } from '../inspection.ts';

/** What a bored hole may be: what the bar goes into, its passes. */
export function checkBoring(op: BoringOperation, { cutter }: OperationContext, see: Inspection): void {
  checkHole(op, see);
  const { hole } = op;
  const least = Number(cutter.properties['DMIN'] ?? 0);
  see.within(
    'hole.startMm',
    hole.startMm,
    Math.max(least, 0.5 * hole.diameterMm),
    hole.diameterMm - 0.02,
    'mm',
  );
  see.within('cut.passes', op.cut.passes, 1, 10, '');
  see.within('cut.springPasses', op.cut.springPasses, 0, 3, '');
}
