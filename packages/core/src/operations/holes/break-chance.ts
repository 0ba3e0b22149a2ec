import { type Estimate, sigmaOf } from '../../judging/estimate.ts';

/** Standard normal distribution. Abramowitz & Stegun 26.2.17, 7.5e-8. */
export function normalShare(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const poly = ((((1.330274429 * t - 1.821255978) * t + 1.781477937) * t - 0.356563782) * t + 0.31938153) * t;
  const tail = (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) * poly;
  return z > 0 ? 1 - tail : tail;
}

/** Chance that what is asked exceeds what is there: both lognormal, `share` asked over there with its own scatter. */
export function chanceAbove(share: Estimate): number {
  const sigma = Math.max(0.05, sigmaOf(share));
  return share.value <= 0 ? 0 : normalShare(Math.log(share.value) / sigma);
}

/** Chance that at least one of several goes wrong when each may. */
export const chanceOfAny = (each: number, count: number): number => 1 - (1 - Math.min(1, each)) ** count;
