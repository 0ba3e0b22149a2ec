import type { Operation, OperationContext } from '@burl/core';
import type { Crib } from '@burl/contract';

/** The context of an operation from the crib the browser has, or null when an entry is missing. */
export function contextOf(crib: Crib, op: Operation, quantity: number): OperationContext | null {
  const document = <T extends { readonly id: string; readonly document: unknown }>(
    list: readonly T[],
    id: string,
  ) => list.find((e) => e.id === id)?.document as T['document'] | undefined;
  const alloy = document(crib.alloys, op.alloyId);
  const machine = document(crib.machines, op.machineId);
  const cutter = document(crib.cutters, op.tooling.cutterId);
  const holder = document(crib.holders, op.tooling.holderId);
  if (!alloy || !machine || !cutter || !holder) return null;
  const substrate = crib.materials.substrates[cutter.extended.substrate];
  const coating = crib.materials.coatings[cutter.extended.coating];
  if (!substrate || !coating) return null;
  return { alloy, machine, cutter, holder, substrate, coating, quantity, resonance: crib.resonance };
}
