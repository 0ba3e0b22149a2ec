import { passes, SPRING_PASSES } from '../holes/hole-movables.ts';
import { overhangMovable } from '../lathe/lathe-movables.ts';
import type { Movable } from '../movable.ts';
import type { ThreadTurningOperation } from './thread-turning-operation.ts';

/** What can be moved in a turned thread: its passes, and how far the part stands out. */
export const threadTurningMovables = (op: ThreadTurningOperation): Movable[] => [
  { ...passes('Passes', 40), low: 3, high: 24 },
  SPRING_PASSES,
  overhangMovable(op, 'turned.overhangMm', op.turned.fromEndMm + op.turned.lengthMm),
];
