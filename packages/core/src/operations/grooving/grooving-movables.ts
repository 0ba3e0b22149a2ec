import type { OperationContext } from '../context.ts';
import { feedMovable } from '../holes/hole-movables.ts';
import { capMovable, overhangMovable } from '../lathe/lathe-movables.ts';
import { type Movable, movable, numberAt } from '../movable.ts';
import { cuttingWidth, grooveDepth, grooveWidth, type GroovingOperation } from './grooving-operation.ts';

/** What can be moved in a groove: feed, depth between lifts, the step beside, the cap, how far the part stands out. */
export function groovingMovables(op: GroovingOperation, { cutter, machine }: OperationContext): Movable[] {
  const width = cuttingWidth(cutter);
  const depth = Math.max(0.05, grooveDepth(op.groove));
  return [
    ...feedMovable(op),
    movable(
      {
        key: 'ap',
        name: 'Plunge depth',
        unit: 'mm',
        at: numberAt('cut.depthMm'),
        heldBy: ['ap'],
        ofTheCut: true,
      },
      { least: 0, above: true, most: 200, low: Math.min(0.2, depth), high: depth, step: 0.05 },
    ),
    movable(
      { key: 'step', name: 'Step beside', unit: 'mm', at: numberAt('cut.stepMm') },
      { least: 0.01, most: 50, low: 0.2 * width, high: 0.95 * width, step: 0.05 },
    ),
    capMovable(op, machine),
    overhangMovable(op, 'groove.overhangMm', op.groove.fromEndMm + grooveWidth(op.groove, width)),
  ];
}
