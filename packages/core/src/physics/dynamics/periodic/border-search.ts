import type { ChatterCut } from '../chatter-cut.ts';
import { type ArnoldiOptions, dominantMultiplier, type Multiplier } from './dominant.ts';
import type { FreeModes } from './free-motion.ts';
import { type PeriodMap, periodMap } from './period-map.ts';
import type { Resolution } from './resolution.ts';
import { transferred } from './transfer.ts';

/** What one depth does with a vibration. */
export interface Growth {
  readonly depthMm: number;
  /** ln |μ|. */
  readonly log: number;
  readonly map: PeriodMap;
  readonly top: Multiplier;
}

export interface GrowthAt {
  (depthMm: number, resolution: Resolution, arnoldi: ArnoldiOptions): Growth;
  /** The same depth once more from a start that knows nothing: the larger of both answers. */
  again(of: Growth, arnoldi: ArnoldiOptions): Growth;
  /** The least of those that grew: what is heard at the border, where just below it something else may be dying more slowly. */
  least(): Growth | null;
}

/** Growth at depths of one cut at one speed, what leads at each depth being where the next one begins. */
export function growthAt(cut: ChatterCut, modes: FreeModes, rpm: number): GrowthAt {
  let last: Growth | null = null;
  let least: Growth | null = null;
  const taken = (depthMm: number, map: PeriodMap, top: Multiplier): Growth => {
    last = { depthMm, log: Math.log(Math.max(top.size, 1e-9)), map, top };
    if (last.log >= 0 && !(least && least.log < last.log)) least = last;
    return last;
  };
  const at = (depthMm: number, resolution: Resolution, arnoldi: ArnoldiOptions): Growth => {
    const map = periodMap(cut, modes, rpm, depthMm, resolution);
    const near = last ? transferred(last.top, last.map, map) : undefined;
    return taken(depthMm, map, dominantMultiplier(map, arnoldi, near));
  };
  return Object.assign(at, {
    again(of: Growth, arnoldi: ArnoldiOptions): Growth {
      const top = dominantMultiplier(of.map, arnoldi);
      return top.size > of.top.size ? taken(of.depthMm, of.map, top) : of;
    },
    least: () => least,
  });
}

export type Bracket = readonly [low: Growth, high: Growth];

/** Share of the depth begun with below which no border is looked for. */
const LEAST_SHARE = 1e-4;
/** Well below the averaged border a longer step is safe. */
const WELL_BELOW = 0.8;
/** Beyond where a straight line meets the border, as a power of the step there. */
const BEYOND = 1.2;
const MARGIN = 0.005;
/** A growth that rises by less than this from depth to depth belongs to something that hardly feels the cut. */
const FLAT = 0.02;
/** Far below the border, as ln |μ|: there a long step is safe. */
const FAR_BELOW = -0.25;
/** Least change of ln |μ| with ln of the depth that is to be expected near the border. */
const LEAST_SLOPE = 1.5;
/** Steps that go by where the last two depths point. */
const POINTED = 12;
/** What is nearly the deepest looked at is taken to be it. */
const NEARLY_MOST = 0.9;

/** Where ln |μ| of two depths is zero on a straight line over ln of the depth, mm. */
export const zeroOf = (a: Growth, b: Growth): number =>
  a.depthMm * (b.depthMm / a.depthMm) ** (a.log / (a.log - b.log));

/** Step upward from a depth: to a little beyond where the last two point, but no leap over what may lie between. */
function stepUp(at: Growth, before: Growth | null, aboutMm: number): number {
  const below = at.depthMm < WELL_BELOW * aboutMm;
  const usual = below || at.log < FAR_BELOW ? 1.5 : 1.22;
  if (!before) return usual;
  if (at.log < FAR_BELOW / 2 && at.log < before.log + FLAT) return 1.5;
  const pointed = (zeroOf(before, at) / at.depthMm) ** BEYOND * (1 + MARGIN);
  return pointed > 1 ? Math.min(below ? 1.5 : 1.3, pointed) : usual;
}

function stepDown(at: Growth, before: Growth | null): number {
  if (!before) return Math.max(0.7, Math.exp(-at.log / LEAST_SLOPE - 0.03));
  const pointed = (zeroOf(before, at) / at.depthMm) ** BEYOND * (1 - MARGIN);
  return pointed < 1 ? Math.max(0.6, pointed) : 0.7;
}

/** Where a border is looked for, mm. */
export interface SearchWish {
  /** Depth begun at, and the one looked at next where that is calm and this is deeper; null is none in particular. */
  readonly firstMm: number;
  readonly nextMm: number | null;
  /** Where it is expected, and the deepest looked at. */
  readonly aboutMm: number;
  readonly mostMm: number;
}

/** Two depths with the border between them, looked for from a first one on; null where nothing grows up to the deepest. */
export function bracketed(
  growth: (depthMm: number) => Growth,
  { firstMm, nextMm, aboutMm, mostMm }: SearchWish,
): Bracket | null {
  let at = growth(firstMm);
  let before: Growth | null = null;
  for (let i = 0; ; i++) {
    const down = at.log >= 0;
    if (!down && at.depthMm >= mostMm) return null;
    if (at.depthMm < LEAST_SHARE * firstMm) return [at, at];
    const pointed = down ? stepDown(at, before) : stepUp(at, before, aboutMm);
    // Where the last two depths point to a border that is not there, plain steps get to the end.
    const factor = i < POINTED ? pointed : down ? 0.6 : 1.5;
    const leap = !down && i === 0 && nextMm !== null && nextMm > at.depthMm * factor;
    const wanted = leap ? nextMm : at.depthMm * factor;
    const last = wanted > mostMm || (at.log < FAR_BELOW && wanted > NEARLY_MOST * mostMm);
    const next: Growth = growth(last ? mostMm : wanted);
    if (down !== next.log >= 0) return down ? [next, at] : [at, next];
    [before, at] = [at, next];
  }
}

/** Regula falsi with halving (Illinois) on ln |μ|, until the bracket is no wider than a share of the depth. */
export function closedIn(growth: (depthMm: number) => Growth, [from, to]: Bracket, width: number): Bracket {
  let [low, high] = [from, to];
  let [a, b] = [low.log, high.log];
  let side = 0;
  for (let i = 0; i < 30 && high.depthMm - low.depthMm > width * high.depthMm; i++) {
    const share = Math.min(0.9, Math.max(0.1, a / (a - b)));
    const at = growth(low.depthMm + share * (high.depthMm - low.depthMm));
    if (at.log >= 0) {
      [high, b] = [at, at.log];
      if (side === 1) a /= 2;
      side = 1;
    } else {
      [low, a] = [at, at.log];
      if (side === -1) b /= 2;
      side = -1;
    }
  }
  return [low, high];
}

/** Steps to close in on the border at one resolution, and how far each may go as a share of the depth. */
const STEPS = 12;
const FURTHEST = 0.1;
/** What a slope may be off by, as a share of it: that between the ends of a bracket, and any at the least. */
const SLOPE_DOUBT = 0.6;
const LEAST_SLOPE_DOUBT = 0.1;
/** Ratio of slopes that may be those of one multiplier. */
const LIKE_SLOPE = 4;

/** A border depth, mm, with what grows there and the change of ln |μ| with ln of the depth. */
export interface Border {
  readonly depthMm: number;
  readonly found: Growth;
  readonly slope: number;
  /** Whether the secants got there; false where they ran from one multiplier to another. */
  readonly reached: boolean;
}

/** Slopes unlike the first one after which secants lead nowhere. */
const UNLIKE = 2;

/**
 * Secants on ln |μ| over ln of the depth from a near border on, until what a step may be off by is no more than a share of the
 * depth. They stay between two depths, mm.
 */
export function sharpened(
  growth: (depthMm: number) => Growth,
  from: Pick<Border, 'depthMm' | 'slope'>,
  [leastMm, mostMm]: readonly [number, number],
  step: number,
): Border {
  let { depthMm, slope } = from;
  let found = growth(depthMm);
  let doubt = SLOPE_DOUBT;
  for (let i = 0, unlike = 0; i < STEPS && unlike < UNLIKE; i++) {
    const by = Math.min(FURTHEST, Math.max(-FURTHEST, -found.log / slope));
    const wanted = found.depthMm * Math.exp(by);
    if (wanted > mostMm) depthMm = Math.sqrt(found.depthMm * mostMm);
    else depthMm = wanted < leastMm ? Math.sqrt(found.depthMm * leastMm) : wanted;
    if (Math.abs(by) * doubt < step || depthMm === found.depthMm) {
      return { depthMm, found, slope: from.slope, reached: true };
    }
    const next = growth(depthMm);
    const secant = (next.log - found.log) / Math.log(next.depthMm / found.depthMm);
    // Any other slope comes of two multipliers that took turns.
    const like = secant > from.slope / LIKE_SLOPE && secant < from.slope * LIKE_SLOPE;
    doubt = like ? Math.min(1, Math.max(LEAST_SLOPE_DOUBT, Math.abs(secant / slope - 1))) : 1;
    if (like) slope = secant;
    else unlike++;
    found = next;
  }
  return { depthMm, found, slope: from.slope, reached: false };
}
