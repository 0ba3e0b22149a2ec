import type { Cutter } from '../../crib/cutter.ts';
import type { Holder } from '../../crib/holder.ts';
import type { Machine } from '../../crib/machine.ts';
import { wrongHolder, wrongSpindle } from '../../crib/pairing.ts';

/** Kinds of holder, the stiffest and truest first. */
const ORDER = ['arbor', 'shrink', 'hydraulic', 'milling_chuck', 'side_lock', 'collet'];

/** Holders that take this cutter and fit this spindle, stiff kinds first, short ones first among equals. */
export function fittingHolders(holders: readonly Holder[], machine: Machine, cutter: Cutter): Holder[] {
  const rank = (kind: string): number => (ORDER.indexOf(kind) + ORDER.length) % ORDER.length;
  return holders
    .filter((h) => wrongSpindle(h, machine) === null && wrongHolder(cutter, h) === null)
    .sort((a, b) => rank(a.kind) - rank(b.kind) || a.gauge_length_mm - b.gauge_length_mm);
}
