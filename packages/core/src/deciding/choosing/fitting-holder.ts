import type { Holder } from '../../crib/holder.ts';
import type { Machine } from '../../crib/machine.ts';

/** Kinds of holder, the stiffest and truest first. */
const ORDER = ['shrink', 'hydraulic', 'milling_chuck', 'shell_arbor', 'side_lock', 'collet'];

/** Holders that take this shank and fit this spindle, stiff kinds first, short ones first among equals. */
export function fittingHolders(holders: readonly Holder[], machine: Machine, shankMm: number): Holder[] {
  const rank = (kind: string): number => (ORDER.indexOf(kind) + ORDER.length) % ORDER.length;
  return holders
    .filter(
      (h) =>
        h.interfaces.includes(machine.spindle_interface) &&
        shankMm >= h.bore_diameter_mm[0] &&
        shankMm <= h.bore_diameter_mm[1],
    )
    .sort((a, b) => rank(a.kind) - rank(b.kind) || a.gauge_length_mm - b.gauge_length_mm);
}
