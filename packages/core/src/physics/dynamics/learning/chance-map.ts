import type { ChatterCut } from '../chatter-cut.ts';
import type { Belief } from './belief.ts';
import { alongToolOf, bordersOf, chanceOfChatter, type WorldBorder } from './world-border.ts';

/** Depth along the tool at which a given share of the worlds is still stable, from a column of borders, mm. */
export function depthAtChance(
  borders: readonly WorldBorder[],
  weights: Float64Array,
  chance: number,
  stickOutMm: number,
): number {
  const order = borders
    .map((b, s) => ({ depth: alongToolOf(b, stickOutMm), w: weights[s]! }))
    .sort((a, b) => a.depth - b.depth);
  let sum = 0;
  for (const { depth, w } of order) {
    sum += w;
    if (sum >= 1 - chance) return depth;
  }
  return Infinity;
}

/** Chance of stability over speed and depth along the tool. */
export interface ChanceMap {
  readonly rpm: readonly number[];
  readonly depthMm: readonly number[];
  /** 0 to 1, row by row from the least depth. */
  readonly chance: Float64Array;
  /** Depth of 95, 50 and 5% chance at each speed, mm. */
  readonly likely: readonly { readonly low: number; readonly middle: number; readonly high: number }[];
}

/** The map of a belief. */
export function chanceMap(
  belief: Belief,
  cut: ChatterCut,
  rpm: readonly number[],
  depthMm: readonly number[],
): ChanceMap {
  const borders = bordersOf(belief, cut, rpm, depthMm[depthMm.length >> 1] ?? 1);
  const chance = new Float64Array(rpm.length * depthMm.length);
  const likely = rpm.map((_, c) => {
    const column = borders.map((b) => b[c]!);
    depthMm.forEach((d, r) => {
      let sum = 0;
      for (let s = 0; s < column.length; s++)
        sum += belief.weights[s]! * (1 - chanceOfChatter(column[s]!, d, belief.stickOutMm));
      chance[r * rpm.length + c] = sum;
    });
    return {
      low: depthAtChance(column, belief.weights, 0.95, belief.stickOutMm),
      middle: depthAtChance(column, belief.weights, 0.5, belief.stickOutMm),
      high: depthAtChance(column, belief.weights, 0.05, belief.stickOutMm),
    };
  });
  return { rpm, depthMm, chance, likely };
}
