import { normalBelow } from '../../numerics/normal.ts';
import { type Estimate, sigmaOf } from '../../judging/estimate.ts';

/** Chance that what is asked exceeds what is there: both lognormal, `share` asked over there with its own scatter. */
export function chanceAbove(share: Estimate): number {
  const sigma = Math.max(0.05, sigmaOf(share));
  return share.value <= 0 ? 0 : normalBelow(Math.log(share.value) / sigma);
}

/** Chance that at least one of several goes wrong when each may. */
export const chanceOfAny = (each: number, count: number): number => 1 - (1 - Math.min(1, each)) ** count;
