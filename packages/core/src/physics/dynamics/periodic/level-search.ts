import type { Border } from './border.ts';
import { bracketed, type SearchWish } from './bracketed.ts';
import { closedIn } from './closed-in.ts';
import type { ArnoldiOptions } from './dominant.ts';
import type { Growth, GrowthAt } from './growth.ts';
import { gainOf, type Resolution } from './resolution.ts';
import { sharpened } from './sharpened.ts';
import { isUnfollowed } from './unfollowed.ts';

/** Far from the border a rough answer decides. */
const FAR = 0.15;
const ROUGH_TOLERANCE = 3e-3;
export const ROUGH: ArnoldiOptions = { tolerance: ROUGH_TOLERANCE, restarts: 3, far: FAR };
/** The search is as rough, but never so that a border as sharp as is asked could be on the other side of a depth. */
const ROUGH_SHARE = 0.3;
/** What the coarsest resolution leaves at most, as a share of the depth: measured over random cuts. */
const COARSE_ERROR = 0.003;
/** An estimate of an error is taken this many times. */
const SAFETY = 3;

/** A border and the level it was found at. */
export interface Found extends Border {
  readonly level: Resolution;
}

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
  { tolerance, ...wish }: SearchWish & { readonly tolerance: number },
): Searched | 'none' | 'unfollowed' {
  const roughTo = Math.min(ROUGH_TOLERANCE, ROUGH_SHARE * tolerance);
  const coarse = (depthMm: number): Growth => growth(depthMm, levels[0]!, { ...ROUGH, tolerance: roughTo });
  // What is asked, less what the first level leaves where that is enough.
  const step = Math.max(tolerance / 2, tolerance - COARSE_ERROR);
  const exact: ArnoldiOptions = { tolerance: tolerance / 10, restarts: 8 };
  const close: ArnoldiOptions = { ...exact, far: FAR };
  // What the rough answers of the search leave in doubt must not count.
  const rough = roughTo / wish.slope;
  const bracket = bracketed(coarse, wish, step - rough);
  if (!bracket) return 'none';
  if (isUnfollowed(bracket.high)) return 'unfollowed';
  const at = (level: number, { depthMm, known }: Border): Found => ({
    ...sharpened((mm) => growth(mm, levels[level]!, close), { depthMm, known }, wish.mostMm, step),
    level: levels[level]!,
  });
  let border: Found = {
    ...closedIn((mm) => growth(mm, levels[0]!, close), bracket, step, rough),
    level: levels[0]!,
  };
  if (isUnfollowed(border.found) || (!border.reached && !border.found.map.followsAll)) return 'unfollowed';
  let error = COARSE_ERROR;
  for (let level = 1; level < levels.length && error > tolerance; level++) {
    const finer = at(level, border);
    const moved = Math.abs(Math.log(finer.depthMm / border.depthMm));
    error = SAFETY * gainOf(levels[level - 1]!, levels[level]!) * moved;
    border = finer;
    // Multipliers stand close in slow cuts: another one may have overtaken what was followed up to here.
    const other = growth.again(border.found, exact);
    if (other.log > border.found.log + tolerance * border.known.slope) {
      border = at(level, border);
    }
  }
  // A multiplier that was not got to the bottom of leaves its own doubt.
  return { border, error: Math.max(error, border.found.top.off / border.known.slope) };
}
