import { outerDiameter } from '../../crib/cutter.ts';
import type { OperationContext } from '../context.ts';
import type { ChamferingOperation } from '../hole-operation.ts';
import { checkHole } from '../holes/check-hole.ts';
import type { Inspection } from '../inspection.ts';

/** How wide a chamfer the cutter can make. */
export function checkChamfering(
  op: ChamferingOperation,
  { cutter }: OperationContext,
  see: Inspection,
): void {
  checkHole(op, see);
  const own = cutter.properties.DC ?? 0;
  see.within(
    'cut.widthMm',
    op.cut.widthMm,
    0.02,
    0.9 * Math.max(0.1, (outerDiameter(cutter) - own) / 2),
    'mm',
  );
}
