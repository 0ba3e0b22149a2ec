import type { OperationContext } from '../context.ts';
import type { DrillingOperation } from './drilling-operation.ts';
import { feedMovable, preHole } from '../holes/hole-movables.ts';
import { type Movable, movable, numberAt } from '../movable.ts';

/** What can be moved in a drilled hole: feed, and the feed where it breaks through. What is there before is not. */
export function drillingMovables(op: DrillingOperation, { cutter }: OperationContext): Movable[] {
  const own = cutter.properties.DC ?? 0;
  const drill = op.role === 'spot' ? Math.min(own, op.hole.diameterMm) : own;
  const here = op.hole.startMm;
  return [
    ...feedMovable(op),
    movable(
      {
        key: 'breakthroughFeed',
        name: 'Feed at breakthrough',
        unit: 'ratio',
        at: numberAt('cut.breakthroughFeed'),
      },
      { least: 0.1, most: 1, low: 0.3, high: 1, step: 0.05 },
    ),
    preHole({ least: 0, most: 0.98 * drill, low: here, high: here }),
  ];
}
