import type { Operation, OperationContext } from '@burl/core';

const numbers = new WeakMap<object, number>();
let last = 0;

/** A number for an object that stays as long as the object does: a crib entry that was edited is another object. */
function numberOf(object: object): number {
  const known = numbers.get(object);
  if (known !== undefined) return known;
  numbers.set(object, ++last);
  return last;
}

/** Names a question about an operation: the same text for the same operation, crib entries and wishes. */
export function question(
  kind: string,
  op: Operation,
  context: OperationContext,
  ...wishes: readonly unknown[]
): string {
  const { alloy, machine, cutter, holder, quantity, resonance, learnt, rates, held } = context;
  // Notes and pins change no physics.
  return JSON.stringify([
    kind,
    { ...op, notes: '' },
    [alloy, machine, cutter, holder, resonance, learnt, rates, held].map((o) => (o ? numberOf(o) : null)),
    quantity,
    wishes,
  ]);
}
