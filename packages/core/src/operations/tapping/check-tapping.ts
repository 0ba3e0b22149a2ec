import type { OperationContext } from '../context.ts';
import type { TappingOperation } from './tapping-operation.ts';
import { checkHole } from '../holes/check-hole.ts';
import { checkThread } from '../holes/check-thread.ts';
import type { Inspection } from '../inspection.ts';

/** What a tapped hole may be, and that the tap is of its thread. */
export function checkTapping(op: TappingOperation, { cutter }: OperationContext, see: Inspection): void {
  checkHole(op, see);
  const own = cutter.properties.DC ?? 0;
  checkThread(op, cutter, see);
  if (Math.abs(own - op.thread.majorMm) > 0.02)
    see.say('tooling.cutterId', cutter.name, `a tap of ${op.thread.designation}`);
}
