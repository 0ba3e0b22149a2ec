import { type Held, heldBy, type Holding, type SetupPlan, usualHolding } from '@burl/core';
import type { Batch } from './context.ts';

/** The same object for the same plan, so that nothing is judged anew for it. */
const known = new WeakMap<SetupPlan, Held>();

/** Whether somebody said how it holds: numbers left as they usually are stay an assumption, which no cut is judged over by. */
function isStated({ kind, values }: Holding): boolean {
  const usual = usualHolding(kind).values;
  return Object.entries(values).some(([key, value]) => value !== usual[key]);
}

/** What of a job and a setup bears on how an operation there is judged. */
export function batchAt({ quantity, heatLot }: Batch, { plan }: { readonly plan: SetupPlan }): Batch {
  const batch: Batch = { quantity, heatLot, ...(plan.takenOver && { subSpindle: true }) };
  if (!plan.holding || !isStated(plan.holding)) return batch;
  const held = known.get(plan) ?? heldBy(plan.holding);
  known.set(plan, held);
  return { ...batch, held };
}
