import { normalBelow } from '../../numerics/normal.ts';

/** A border in one of the worlds that may be, with its weight; Infinity where nothing chatters there. */
export interface WeightedBorder {
  readonly depthMm: number;
  readonly weight: number;
}

/**
 * Chance that a depth chatters: over the worlds, each of whose borders is off by a log standard deviation.
 * Weights sum to 1. Throws nothing; a depth of 0 never chatters.
 */
export function chanceOf(borders: readonly WeightedBorder[], depthMm: number, sigma: number): number {
  if (depthMm <= 0) return 0;
  let sum = 0;
  for (const { depthMm: border, weight } of borders) {
    if (border !== Infinity) sum += weight * normalBelow(Math.log(depthMm / border) / sigma);
  }
  return sum;
}

/** Depth with a chance of chatter, mm; Infinity where no depth has it. */
export function depthOfChance(borders: readonly WeightedBorder[], chance: number, sigma: number): number {
  let [least, most, finite] = [Infinity, 0, 0];
  for (const { depthMm, weight } of borders) {
    if (depthMm === Infinity) continue;
    finite += weight;
    least = Math.min(least, depthMm);
    most = Math.max(most, depthMm);
  }
  if (finite <= chance + 1e-9) return Infinity;
  let [low, high] = [Math.log(least) - 4 * sigma, Math.log(most) + 4 * sigma];
  for (let i = 0; i < 36; i++) {
    const middle = (low + high) / 2;
    if (chanceOf(borders, Math.exp(middle), sigma) < chance) low = middle;
    else high = middle;
  }
  return Math.exp((low + high) / 2);
}

/** Mean and standard deviation of the logarithms of finite borders. */
export function spreadOf(borders: readonly WeightedBorder[]): number {
  let [weights, mean] = [0, 0];
  for (const { depthMm, weight } of borders) {
    if (depthMm === Infinity) continue;
    weights += weight;
    mean += weight * Math.log(depthMm);
  }
  if (weights === 0) return 0;
  mean /= weights;
  let variance = 0;
  for (const { depthMm, weight } of borders) {
    if (depthMm !== Infinity) variance += (weight * (Math.log(depthMm) - mean) ** 2) / weights;
  }
  return Math.sqrt(variance);
}
