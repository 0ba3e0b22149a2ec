import {
  problemInWords,
  type HoleDemand,
  type HolePlan,
  InputError,
  planHole,
  type Shop,
  type System,
} from '@burl/core';
import type { HoleKindRecord } from '@burl/contract';

/** The plan of one kind, or what is wrong with what is asked. */
export function planOf(
  shop: Shop,
  demand: HoleDemand,
  changes: HoleKindRecord['changes'],
  system: System,
): { readonly plan: HolePlan } | { readonly wrong: string } {
  try {
    return { plan: planHole(shop, demand, changes) };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return { wrong: error.problems.map((p) => problemInWords(p, system)).join('; ') };
  }
}
