import { type Batch, cribSource, type Crib, resolveContext } from '@burl/contract';
import type { Operation, OperationContext } from '@burl/core';

/** The context of an operation from the crib the browser has, or null when an entry is missing. */
export function contextOf(crib: Crib, op: Operation, batch: Batch): OperationContext | null {
  const found = resolveContext(op, cribSource(crib, batch));
  return 'context' in found ? found.context : null;
}
