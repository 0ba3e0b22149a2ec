import type { Alloy } from './alloy.ts';
import type { Coating, Cutter, Substrate } from './cutter.ts';
import type { Holder } from './holder.ts';
import type { Machine } from './machine.ts';

/** The crib entries an operation names, and what the job adds: all that `evaluate` may look at. */
export interface OperationContext {
  readonly alloy: Alloy;
  readonly machine: Machine;
  readonly cutter: Cutter;
  readonly holder: Holder;
  readonly substrate: Substrate;
  readonly coating: Coating;
  /** Parts in the batch. */
  readonly quantity: number;
}

/** Cut with high-speed steel rather than carbide: another speed window applies. */
export const isHighSpeedSteel = ({ cutter }: OperationContext): boolean =>
  cutter.extended.substrate.startsWith('hss');
