import type { OperationContext } from '../context.ts';
import type { ReamingOperation } from './reaming-operation.ts';
import { feedMovable, preHole } from '../holes/hole-movables.ts';
import { type Movable, movable, numberAt } from '../movable.ts';

/** What can be moved in a reamed hole: feed, what is left for the reamer, how it is drawn out. */
export function reamingMovables(op: ReamingOperation, { cutter }: OperationContext): Movable[] {
  const own = cutter.properties.DC ?? op.hole.diameterMm;
  return [
    ...feedMovable(op),
    preHole({ least: 0.5 * own, most: own - 0.005, low: 0.9 * own, high: own - 0.05 }),
    movable(
      { key: 'outFeed', name: 'Retract feed', unit: 'ratio', at: numberAt('cut.outFeed') },
      { least: 0.5, most: 20, low: 1, high: 3, step: 0.1 },
    ),
  ];
}
