import { cribSource, type Crib, resolveContext } from '@burl/contract';
import type { Operation, OperationContext } from '@burl/core';

/** The context of an operation from the crib the browser has, or null when an entry is missing. */
export function contextOf(crib: Crib, op: Operation, quantity: number): OperationContext | null {
  const found = resolveContext(op, cribSource(crib, quantity));
  return 'context' in found ? found.context : null;
}
