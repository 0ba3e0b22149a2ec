import type { Alloy } from '../crib/alloy.ts';

/** Where an alloy states none, N/m³: the low end of the crib's. */
const USUAL = 1.5e13;

/** What an alloy answers an edge that is pressed into it, N/m³. */
export const indentationOf = ({ process_damping }: Pick<Alloy, 'process_damping'>): number =>
  process_damping?.indentation_coefficient_n_m3.typical ?? USUAL;
