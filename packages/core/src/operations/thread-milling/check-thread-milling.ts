import type { OperationContext } from '../context.ts';
import type { ThreadMillingOperation } from './thread-milling-operation.ts';
import { checkHole } from '../holes/check-hole.ts';
import { checkThread } from '../holes/check-thread.ts';
import type { Inspection } from '../inspection.ts';

/** What a milled thread may be: what the mill goes into. */
export function checkThreadMilling(
  op: ThreadMillingOperation,
  { cutter }: OperationContext,
  see: Inspection,
): void {
  checkHole(op, see);
  const own = cutter.properties.DC ?? 0;
  checkThread(op, cutter, see);
  see.within('cutter.properties.DC', own, 0.1, op.thread.majorMm - 2 * 0.05, 'mm');
}
