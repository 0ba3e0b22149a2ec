import { outerDiameter } from '../../crib/cutter.ts';
import type { OperationContext } from '../context.ts';
import type { HoleMillingOperation } from '../hole-operation.ts';
import { checkHole } from '../holes/check-hole.ts';
import type { Inspection } from '../inspection.ts';

/** What a hole milled on a helix may be: what the cutter fits into, its passes. */
export function checkHoleMilling(
  op: HoleMillingOperation,
  { cutter }: OperationContext,
  see: Inspection,
): void {
  checkHole(op, see);
  const { hole } = op;
  const tool = outerDiameter(cutter);
  see.within('hole.diameterMm', hole.diameterMm, 1.02 * tool, 40 * tool, 'mm');
  see.within('hole.startMm', hole.startMm, 0, hole.diameterMm - 0.01, 'mm');
  see.above('cut.pitchMm', op.cut.pitchMm, 'mm');
  see.within(
    'cut.pitchMm',
    op.cut.pitchMm,
    0,
    Math.min(cutter.properties.APMX ?? 1, op.tooling.stickOutMm),
    'mm',
  );
  see.within('cut.stepovers', op.cut.stepovers, 1, 40, '');
  see.within('cut.springPasses', op.cut.springPasses, 0, 3, '');
  see.within('cut.pastFloorMm', op.cut.pastFloorMm, 0, 20, 'mm');
}
