import type { ThreadOperation } from '../hole-operation.ts';
import { pilotForHeight } from '../../physics/threads/thread-geometry.ts';
import type { ThreadForm } from '../../physics/holes/hole.ts';
import type { Movable } from '../movable.ts';
import { preHole } from './hole-movables.ts';

/** Deepest a thread can be over its pitch, and the least that still is one. */
const DEEPEST = 1.4;
const SHALLOWEST = 0.1;
/** Percent thread one would drill for: more only breaks taps, less pulls out. */
const FULL = 85;
const LIGHT = 50;

const isSized = ({ majorMm, pitchMm }: ThreadForm): boolean => majorMm > 0 && pitchMm > 0;

/** The hole a thread is cut into. */
export const preHoleOfThread = ({ thread }: ThreadOperation): Movable =>
  // A thread without a size has no such hole; its own fields say so.
  preHole({
    least: thread.majorMm - DEEPEST * thread.pitchMm,
    most: thread.majorMm - SHALLOWEST * thread.pitchMm,
    low: isSized(thread) ? pilotForHeight(thread, FULL) : NaN,
    high: isSized(thread) ? pilotForHeight(thread, LIGHT) : NaN,
  });
