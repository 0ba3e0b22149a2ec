import type { TappingOperation } from './tapping-operation.ts';
import { preHoleOfThread } from '../holes/thread-pre-hole.ts';
import type { Movable } from '../movable.ts';

/** What can be moved in a tapped hole: the hole before it. The pitch is the feed. */
export const tappingMovables = (op: TappingOperation): Movable[] => [preHoleOfThread(op)];
