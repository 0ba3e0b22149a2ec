import type { ThreadMillingOperation } from './thread-milling-operation.ts';
import { feedMovable, passes, SPRING_PASSES } from '../holes/hole-movables.ts';
import { preHoleOfThread } from '../holes/thread-pre-hole.ts';
import type { Movable } from '../movable.ts';

/** What can be moved in a milled thread: feed, passes, the hole before it. */
export const threadMillingMovables = (op: ThreadMillingOperation): Movable[] => [
  ...feedMovable(op),
  passes('Radial passes', 8),
  SPRING_PASSES,
  preHoleOfThread(op),
];
