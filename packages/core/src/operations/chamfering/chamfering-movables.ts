import { outerDiameter } from '../../crib/cutter.ts';
import type { OperationContext } from '../context.ts';
import type { ChamferingOperation } from './chamfering-operation.ts';
import { feedMovable } from '../holes/hole-movables.ts';
import { type Movable, movable, numberAt } from '../movable.ts';

/** What can be moved in a chamfer: its feed. The width is what the drawing requires. */
export function chamferingMovables(op: ChamferingOperation, { cutter }: OperationContext): Movable[] {
  const face = (outerDiameter(cutter) - (cutter.properties.DC ?? 0)) / 2;
  const here = op.cut.widthMm;
  return [
    ...feedMovable(op),
    movable(
      { key: 'width', name: 'Chamfer width', unit: 'mm', at: numberAt('cut.widthMm') },
      { least: 0.02, most: 0.9 * Math.max(0.1, face), low: here, high: here, step: 0.05 },
    ),
  ];
}
