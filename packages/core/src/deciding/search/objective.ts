import { costBasis, costOfFeature } from '../../operations/cost.ts';
import type { MillingState } from '../../operations/milling/milling-state.ts';

/** What is to be made best. */
export type Objective = 'metal' | 'life' | 'cost';
export const OBJECTIVES: readonly Objective[] = ['metal', 'life', 'cost'];

/** Slower than this share of the 30-minute speed the life model promises nothing more. */
const SLOWEST_BELIEVED = 0.65;

/**
 * Worth of a cut, larger is better: metal per minute (cm³/min), features an edge lasts, or features for a unit of money.
 * Life is not believed to grow below the life model's slowest speed, or a search for life would stand still.
 */
export function worthOf(objective: Objective, state: MillingState): number {
  if (objective === 'metal') return state.removalCm3Min;
  const life = believedLife(state);
  if (objective === 'life') return life === null ? 0 : life / state.minutes.contact;
  const total = state.time.cutting + state.time.linking;
  const cost = costOfFeature(
    costBasis(state.op, state.context),
    { contact: state.minutes.contact, total },
    life,
  );
  return 1 / cost.total;
}

function believedLife(state: MillingState): number | null {
  if (!state.lifeMin) return null;
  const model = state.context.alloy.taylor_milling_coated_carbide;
  const limit = state.speedLimitMMin?.value;
  if (!model || limit === undefined) return state.lifeMin.value;
  const slowest = (SLOWEST_BELIEVED * limit) / 2 ** model.n;
  const held = Math.max(1, slowest / state.cuttingSpeedMMin);
  return state.lifeMin.value / held ** (1 / model.n);
}
