import {
  type Border,
  type Bracket,
  bracketed,
  closedIn,
  type Growth,
  type GrowthAt,
  type SearchWish,
  sharpened,
  zeroOf,
} from './border-search.ts';
import type { ArnoldiOptions } from './dominant.ts';
import { gainOf, type Resolution } from './resolution.ts';
import { isUnfollowed } from './unfollowed.ts';

/** Far from the border a rough answer decides. */
const FAR = { from: 0.12, tolerance: 0.01 } as const;
export const ROUGH: ArnoldiOptions = { tolerance: 3e-3, restarts: 3, far: FAR };
/** What the coarsest resolution leaves at most, as a share of the depth: measured over random cuts. */
const COARSE_ERROR = 0.003;
/** Share of the depth it closes in to where secants do not get to the border from there. */
const CLOSED_IN = 0.02;
/** Share of the depth by which secants may leave what was closed in on. */
const MARGIN = 0.02;
/** An estimate of an error is taken this many times. */
const SAFETY = 3;
/** A border and the level it was found at. */
export interface Found extends Border {
  readonly level: Resolution;
}

/** Where secants begin. */
type Start = Pick<Border, 'depthMm' | 'slope'>;

/** A border found so far, and what its resolution leaves, as a share of the depth. */
export interface Searched {
  readonly border: Found;
  readonly error: number;
}

/**
 * Looks for the border with the first level and sharpens it with the others. 'none' where nothing grows up to the deepest,
 * 'unfollowed' where what grows is quicker than the first level follows.
 */
export function searched(
  growth: GrowthAt,
  levels: readonly Resolution[],
  {
    tolerance,
    width,
    ...wish
  }: SearchWish & {
    readonly tolerance: number;
    readonly width: number;
  },
): Searched | 'none' | 'unfollowed' {
  const coarse = (depthMm: number): Growth => growth(depthMm, levels[0]!, ROUGH);
  const bracket = bracketed(coarse, wish);
  if (!bracket) return 'none';
  if (isUnfollowed(bracket[1])) return 'unfollowed';
  const exact: ArnoldiOptions = { tolerance: tolerance / 10, restarts: 8 };
  const close: ArnoldiOptions = { ...exact, far: FAR };
  const all = [0, wish.mostMm] as const;
  const at = (level: number, from: Start, within: readonly [number, number] = all): Found => ({
    ...sharpened((depthMm) => growth(depthMm, levels[level]!, close), from, within, tolerance / 2),
    level: levels[level]!,
  });
  const between = ([low, high]: Bracket): Found =>
    low === high
      ? at(0, { depthMm: low.depthMm, slope: 1 })
      : at(
          0,
          { depthMm: zeroOf(low, high), slope: (high.log - low.log) / Math.log(high.depthMm / low.depthMm) },
          [low.depthMm * (1 - MARGIN), Math.min(wish.mostMm, high.depthMm * (1 + MARGIN))],
        );
  const closed = closedIn(coarse, bracket, width);
  let border = between(closed);
  if (!border.reached) border = between(closedIn(coarse, closed, CLOSED_IN));
  if (isUnfollowed(border.found) || (!border.reached && !border.found.map.followsAll)) return 'unfollowed';
  let error = COARSE_ERROR;
  for (let level = 1; level < levels.length && error > tolerance; level++) {
    const finer = at(level, border);
    const moved = Math.abs(Math.log(finer.depthMm / border.depthMm));
    error = SAFETY * gainOf(levels[level - 1]!, levels[level]!) * moved;
    border = finer;
    // Multipliers stand close in slow cuts: another one may have overtaken what was followed up to here.
    const other = growth.again(border.found, exact);
    if (other.log > border.found.log + tolerance * border.slope) border = at(level, border);
  }
  return { border, error };
}
