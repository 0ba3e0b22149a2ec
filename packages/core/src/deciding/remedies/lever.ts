import { movablesOf } from '../../evaluation/set-parameter.ts';
import type { OperationContext } from '../../operations/context.ts';
import type { Movable } from '../../operations/movable.ts';
import type { Operation } from '../../operations/operation.ts';

/** Nobody runs a cut at a sixth or six times of what he had: that is another cut, to be worked out anew. */
const FURTHEST = 6;

/** Numbers of an operation that advice may move, each no further than one would go; pinned ones stay. */
export const leversOf = (op: Operation, context: OperationContext): Movable[] =>
  movablesOf(op, context)
    .filter((m) => m.low < m.high && !m.heldBy.some((pin) => op.pins.includes(pin)))
    .map((m) => followable(m, op));

function followable(lever: Movable, op: Operation): Movable {
  if (!lever.ofTheCut) return lever;
  const now = lever.read(op);
  return {
    ...lever,
    low: Math.max(lever.low, now / FURTHEST),
    high: Math.min(lever.high, now * FURTHEST),
  };
}

/** The change of one lever as an imperative without its numbers: “Reduce axial depth”. */
export function changeOf(lever: Movable, from: number, to: number): string {
  const [up, down] = lever.verbs ?? ['Raise', 'Reduce'];
  return `${to > from ? up : down} ${lever.name.charAt(0).toLowerCase()}${lever.name.slice(1)}`;
}
