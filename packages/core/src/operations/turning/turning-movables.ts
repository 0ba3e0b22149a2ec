import type { OperationContext } from '../context.ts';
import { feedMovable } from '../holes/hole-movables.ts';
import { type Movable, movable, numberAt } from '../movable.ts';
import { capMovable, overhangMovable } from '../lathe/lathe-movables.ts';
import { deepestOfEdge } from './depth-of-edge.ts';
import type { TurningOperation } from './turning-operation.ts';

/** What can be moved in a turned stretch: feed, depth, the cap on the spindle, how far the part stands out. */
export function turningMovables(op: TurningOperation, { cutter, machine }: OperationContext): Movable[] {
  const { stretch: s } = op;
  const edge = deepestOfEdge(cutter) ?? 5;
  return [
    ...feedMovable(op),
    movable(
      {
        key: 'ap',
        name: 'Depth of cut',
        unit: 'mm',
        at: numberAt('cut.depthMm'),
        heldBy: ['ap'],
        ofTheCut: true,
      },
      { least: 0, above: true, most: 50, low: 0.1, high: edge, step: 0.05 },
    ),
    capMovable(op, machine),
    overhangMovable(op, 'stretch.overhangMm', s.way === 'face' ? 0 : s.lengthMm),
  ];
}
