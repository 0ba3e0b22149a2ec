import type { OperationContext } from '../context.ts';
import type { BoringOperation } from './boring-operation.ts';
import { feedMovable, passes, preHole, SPRING_PASSES } from '../holes/hole-movables.ts';
import type { Movable } from '../movable.ts';

/** What can be moved in a bored hole: feed, passes, what the bar goes into. */
export function boringMovables(op: BoringOperation, { cutter }: OperationContext): Movable[] {
  const { diameterMm } = op.hole;
  return [
    ...feedMovable(op),
    SPRING_PASSES,
    preHole({
      least: Math.max(Number(cutter.properties['DMIN'] ?? 0), 0.5 * diameterMm),
      most: diameterMm - 0.02,
      low: 0.9 * diameterMm,
      high: diameterMm - 0.1,
    }),
    passes('Passes', 10),
  ];
}
