import type { Growth } from './growth.ts';

/** What ln |μ| changes by with ln of the depth, as far as is known. */
export interface Slope {
  readonly slope: number;
  /** What theory says of it. */
  readonly theory: number;
  /** What it may be off by, as a share of it. */
  readonly doubt: number;
  /** What the last two depths say, where it is another multiplier's or theory is wrong. */
  readonly unlike?: number;
}

/** Doubt of a slope from theory, which may be three times too large, and the least there is when two depths have told. */
const THEORY_DOUBT = 2;
const LEAST_DOUBT = 0.15;
/** Ratio of slopes that may be those of one multiplier. */
const LIKE = 4;
/** Theory is not wrong by more than this. */
const LEAST_OF_THEORY = 0.08;

export const fromTheory = (slope: number): Slope => ({ slope, theory: slope, doubt: THEORY_DOUBT });

/** A slope this much steeper than theory says is of one border in a hundred, and of every leap. */
const STEEP = 4;

/**
 * What a finer map is begun with. A coarse one leaps where modes it does not follow give way until the edge is drawn in: a slope as
 * steep as that is not believed.
 */
export const believed = (known: Slope): Slope =>
  known.slope > STEEP * known.theory ? fromTheory(known.theory) : known;

export const secantOf = (a: Growth, b: Growth): number => (b.log - a.log) / Math.log(b.depthMm / a.depthMm);

const alike = (a: number, b: number): boolean => a > b / LIKE && a < b * LIKE;

/** Whether the last two depths rose by less than what grows would: both belong to something that hardly feels the cut. */
export const isFlat = ({ slope, unlike }: Slope): boolean => unlike !== undefined && unlike < slope / LIKE;

const agreed = (slope: number, before: number, theory: number): Slope => ({
  slope,
  theory,
  doubt: Math.min(1, Math.max(LEAST_DOUBT, Math.abs(slope / before - 1))),
});

/** What is known of the slope after one more depth: two that say the same beat theory; one that does not may come of two multipliers that took turns. */
export function learnt({ slope, theory, unlike }: Slope, a: Growth, b: Growth): Slope {
  const secant = secantOf(a, b);
  if (alike(secant, slope)) return agreed(secant, slope, theory);
  const again = unlike !== undefined && alike(secant, unlike) && secant > LEAST_OF_THEORY * slope;
  return again ? agreed(secant, unlike, theory) : { slope, theory, doubt: 1, unlike: secant };
}

/** Depth at which ln |μ| would be zero, mm. */
export const zeroFrom = ({ depthMm, log }: Growth, slope: number): number => depthMm * Math.exp(-log / slope);

/** What that depth may be off by, as a share of it. */
export const missedBy = ({ log }: Growth, { slope, doubt }: Slope): number => Math.abs(log / slope) * doubt;
