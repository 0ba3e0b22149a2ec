import { type Held, heldBy, type SetupPlan } from '@burl/core';
import type { Batch } from './context.ts';

/** The same object for the same plan, so that nothing is judged anew for it. */
const known = new WeakMap<SetupPlan, Held>();

/** What of a job and a setup bears on how an operation there is judged. */
export function batchAt({ quantity, heatLot }: Batch, { plan }: { readonly plan: SetupPlan }): Batch {
  if (!plan.holding) return { quantity, heatLot };
  const held = known.get(plan) ?? heldBy(plan.holding);
  known.set(plan, held);
  return { quantity, heatLot, held };
}
