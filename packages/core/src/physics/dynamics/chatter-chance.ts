import { normalBelow, normalDensity } from '../../numerics/normal.ts';

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

/** Changes of the logarithm below this no longer count. */
const SETTLED = 1e-10;

/**
 * Depth with a chance of chatter, mm; Infinity where no depth has it. Newton's method on the logarithm of the depth, kept
 * between bounds that the chance itself moves: the sum of normal distributions rises everywhere, but has flat stretches between
 * borders that lie far apart.
 */
export function depthOfChance(borders: readonly WeightedBorder[], chance: number, sigma: number): number {
  let [least, most, finite] = [Infinity, 0, 0];
  for (const { depthMm, weight } of borders) {
    if (depthMm === Infinity) continue;
    finite += weight;
    least = Math.min(least, depthMm);
    most = Math.max(most, depthMm);
  }
  if (finite <= chance + 1e-9) return Infinity;
  const logs = borders.map((b) => Math.log(b.depthMm));
  let [low, high] = [Math.log(least) - 4 * sigma, Math.log(most) + 4 * sigma];
  let x = (low + high) / 2;
  for (let i = 0; i < 60 && high - low > SETTLED; i++) {
    let [reached, slope] = [-chance, 0];
    for (let k = 0; k < logs.length; k++) {
      if (logs[k] === Infinity) continue;
      const z = (x - logs[k]!) / sigma;
      reached += borders[k]!.weight * normalBelow(z);
      slope += (borders[k]!.weight * normalDensity(z)) / sigma;
    }
    if (reached < 0) low = x;
    else high = x;
    const next = x - reached / slope;
    const inside = next > low && next < high;
    if (inside && Math.abs(next - x) < SETTLED) return Math.exp(next);
    x = inside ? next : (low + high) / 2;
  }
  return Math.exp(x);
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
