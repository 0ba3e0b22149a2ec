import { outerDiameter } from '../../crib/cutter.ts';
import type { OperationContext } from '../context.ts';
import type { DrillingOperation } from './drilling-operation.ts';

/** Diameter a drill's speed is stated at, mm: its own, or as far as a spotting drill goes in. */
export function drillingDiameter(
  op: DrillingOperation,
  { cutter }: Pick<OperationContext, 'cutter'>,
): number {
  const own = outerDiameter(cutter) || op.hole.diameterMm;
  return op.role === 'spot' ? Math.min(op.hole.diameterMm, own) : own;
}
