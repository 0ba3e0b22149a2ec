import type { Cutter, Substrate } from './cutter.ts';
import type { Holder } from './holder.ts';
import type { Machine } from './machine.ts';

/** A cutter of some substrate in a holder on a machine: what a tip is made of. */
export interface ToolAssembly {
  readonly machine: Machine;
  readonly holder: Holder;
  readonly cutter: Cutter;
  readonly substrate: Substrate;
}
