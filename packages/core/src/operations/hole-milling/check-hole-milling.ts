import { outerDiameter } from '../../crib/cutter.ts';
import type { OperationContext } from '../context.ts';
import type { HoleMillingOperation } from './hole-milling-operation.ts';
import { checkHole } from '../holes/check-hole.ts';
import type { Inspection } from '../inspection.ts';

/** What a hole milled on a helix may be: what the cutter fits into. */
export function checkHoleMilling(
  op: HoleMillingOperation,
  { cutter }: OperationContext,
  see: Inspection,
): void {
  checkHole(op, see);
  const { hole } = op;
  const tool = outerDiameter(cutter);
  see.within('hole.diameterMm', hole.diameterMm, 1.02 * tool, 40 * tool, 'mm');
}
