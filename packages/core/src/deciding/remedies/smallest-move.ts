import type { OperationContext } from '../../operations/context.ts';
import type { Operation } from '../../operations/operation.ts';
import type { Movable } from '../../operations/movable.ts';
import { clears, limitAfter } from './remedy.ts';

/** Points tried from the present value to the lever's end before the border is closed in on. */
const SCAN = 6;
const BISECTIONS = 7;

/** Smallest move of a lever in one direction that clears the limit, or null. */
export function smallestMove(
  lever: Movable,
  op: Operation,
  context: OperationContext,
  limitId: string,
  end: number,
): number | null {
  const start = lever.read(op);
  if (start === end || !(end > 0)) return null;
  // A lever the limit does not feel at all is not searched.
  const now = limitAfter(op, context, limitId);
  const far = limitAfter(lever.write(op, end), context, limitId);
  if (now?.share && far?.share && now.state === far.state && now.share.value === far.share.value) return null;
  // Geometric steps: a stepover may have to fall to a tenth, and the small changes are tried first.
  const at = (share: number): number => start * (end / start) ** share;
  let last = 0;
  let found: number | null = null;
  for (let i = 1; i <= SCAN; i++) {
    const share = (i / SCAN) ** 1.5;
    if (clears(lever.write(op, at(share)), context, limitId)) {
      found = share;
      break;
    }
    last = share;
  }
  if (found === null) return null;
  let enough: number = found;
  for (let i = 0; i < BISECTIONS; i++) {
    const middle: number = (last + enough) / 2;
    if (clears(lever.write(op, at(middle)), context, limitId)) enough = middle;
    else last = middle;
  }
  const exact = at(enough);
  const rounded =
    (end > start ? Math.ceil(exact / lever.step - 1e-9) : Math.floor(exact / lever.step + 1e-9)) * lever.step;
  const tidy = Number(rounded.toFixed(4));
  if (tidy >= lever.low && tidy <= lever.high) return tidy;
  return Math.min(lever.high, Math.max(lever.low, Number(exact.toPrecision(4))));
}
