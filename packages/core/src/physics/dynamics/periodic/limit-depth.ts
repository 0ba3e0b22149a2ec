import { requirePositive } from '../../../units/input-error.ts';
import { averagedBorder, longestDelay, responseGrid } from '../averaged-border.ts';
import { type ChatterCut, isUniform } from '../chatter-cut.ts';
import { highestChatter } from '../highest-chatter.ts';
import { softestMode, type TipMode, type TipStructure } from '../tip-structure.ts';
import {
  type Border,
  type Bracket,
  bracketed,
  closedIn,
  type Growth,
  type GrowthAt,
  growthAt,
  type SearchWish,
  sharpened,
  zeroOf,
} from './border-search.ts';
import type { ArnoldiOptions } from './dominant.ts';
import { freeModes } from './free-motion.ts';
import { heardFrequency } from './heard-frequency.ts';
import type { PeriodMap } from './period-map.ts';
import { gainOf, type Level, LEVELS, type Resolution } from './resolution.ts';
import { isUnfollowed } from './unfollowed.ts';

/** What the wave on the surface does at the border. */
export type ChatterKind = 'hopf' | 'flip';

/** The border depth of the periodic solution. */
export interface PeriodicLimit {
  /** Stability limit, mm; null where it is beyond the deepest looked at. */
  readonly depthMm: number | null;
  /** Frequency it would be heard at, Hz. */
  readonly hz: number | null;
  readonly kind: ChatterKind | null;
  /** Limit of the averaged cut, mm: the overview; null where it has none. */
  readonly overviewMm: number | null;
  /**
   * What the resolution leaves, as a share of the depth: estimated. Infinite where the tip falls silent between two
   * teeth, so that nothing is handed on from one to the next and no multiplier has a border that a computation could find.
   */
  readonly error: number;
}

export interface LimitOptions {
  readonly mostMm?: number;
  /** Share of the depth the border may be off. */
  readonly tolerance?: number;
  /** Resolutions to go through, coarse to fine. */
  readonly levels?: readonly Level[];
  /**
   * Depth of the cut that is asked about, mm: begin there where it is not far below the averaged border, and go on at that one,
   * instead of coming up slowly. Quicker, blind to an island between.
   */
  readonly fromMm?: number;
}

/** Far from the border a rough answer decides. */
const FAR = { from: 0.12, tolerance: 0.01 } as const;
const ROUGH: ArnoldiOptions = { tolerance: 3e-3, restarts: 3, far: FAR };
/** Angle from −1 within which a multiplier is a flip, rad. */
const FLIP = 0.02;
/** Share of the averaged border at which a search that looks for islands begins. */
const FROM_BELOW = 0.35;
/** Share of the depth the first, coarse search closes in to. */
const SEARCHED = 0.12;
/** Begun near the border, secants get there sooner than a closing bracket. */
const SEARCHED_NEAR = 0.45;
/** What the coarsest resolution leaves at most, as a share of the depth: measured over random cuts. */
const COARSE_ERROR = 0.003;
/** Share of the depth it closes in to where secants do not get to the border from there. */
const CLOSED_IN = 0.02;
/** Share of the depth by which secants may leave what was closed in on. */
const MARGIN = 0.02;
/** An estimate of an error is taken this many times. */
const SAFETY = 3;
/** Decay between two teeth, nepers, after which nothing of a vibration is left to hand on. */
const SILENT = 10;

/** Border of the averaged cut, mm: between that with equal teeth and that with all delays, and the lower one; null where there is none. */
function overviewOf(
  cut: ChatterCut,
  structure: TipStructure,
  rpm: number,
): { readonly middleMm: number; readonly leastMm: number } | null {
  const grid = responseGrid(structure, longestDelay(cut, rpm));
  const equal = { ...cut, pitch: cut.pitch.map(() => (2 * Math.PI) / cut.pitch.length) };
  const found = (isUniform(cut) ? [cut] : [cut, equal])
    .map((c) => averagedBorder(c, grid, rpm).depthMm)
    .filter((depth) => depth !== Infinity);
  if (found.length === 0) return null;
  const middleMm = Math.exp(found.reduce((sum, depth) => sum + Math.log(depth), 0) / found.length);
  return { middleMm, leastMm: Math.min(...found) };
}

/** The averaged cut may be off: chatter is looked for up to so many times the border it has. */
const LOOKED_AT = 2;
/** Where what was followed did not reach, so many times as much is. */
const FURTHER = 2.5;

/** Decay of what is heard in the longest free flight, nepers. */
function silence({ spans, period, perRadian }: PeriodMap, structure: TipStructure, hz: number): number {
  let last = (spans.at(-1)?.to ?? 0) - period / perRadian;
  let longest = 0;
  for (const { from, to } of spans) {
    longest = Math.max(longest, from - last);
    last = to;
  }
  const apart = (m: TipMode): number => Math.abs(Math.log(m.hz / hz));
  const heard = [...structure.x, ...structure.y].reduce((a, b) => (apart(b) < apart(a) ? b : a));
  return 2 * Math.PI * heard.hz * heard.damping * longest * perRadian;
}

/** A border and the level it was found at. */
interface Found extends Border {
  readonly level: Resolution;
}

/** Frequencies nearer than this are one. */
const SAME_HZ = 0.03;
/** So far above the border what grows is what chatters. */
const ABOVE = 1.005;

/**
 * What is heard at a border. Where the last depth looked at lies just below it something else may be dying more slowly there than
 * what chatters: if what grew at some depth sounds otherwise, a depth just above tells.
 */
function heardAt(border: Found, growth: GrowthAt, structure: TipStructure): Growth & { readonly hz: number } {
  const heard = (g: Growth) => ({ ...g, hz: heardFrequency(g.map, g.top, structure) });
  const found = heard(border.found);
  const least = border.found.log < 0 ? growth.least() : null;
  if (!least || Math.abs(Math.log(heard(least).hz / found.hz)) < SAME_HZ) return found;
  return heard(growth(border.depthMm * ABOVE, border.level, ROUGH));
}

/** Depth a search begins at, mm: well below where the border is expected, or there at once where the cut asked about is shallower still. */
function firstOf(fromMm: number | undefined, aboutMm: number): number {
  const below = FROM_BELOW * aboutMm;
  if (fromMm === undefined) return below;
  return fromMm < below ? aboutMm : Math.min(fromMm, aboutMm);
}

/** Where secants begin. */
type Start = Pick<Border, 'depthMm' | 'slope'>;

/** A border found so far, and what its resolution leaves, as a share of the depth. */
interface Searched {
  readonly border: Found;
  readonly error: number;
}

/**
 * Looks for the border with the first level and sharpens it with the others. 'none' where nothing grows up to the deepest,
 * 'unfollowed' where what grows is quicker than the first level follows.
 */
function searched(
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

/**
 * Border depth at one speed: the first depth from zero at which the periodic solution is not stable. Looks upward from
 * a third of the averaged cut's limit; a stable island above the first border is not looked for. Searched coarsely, then
 * sharpened with finer and finer resolutions until what a level moved the border by tells that the next would move it
 * by less than the tolerance. Throws on an impossible cut or speed.
 */
export function limitDepth(
  cut: ChatterCut,
  structure: TipStructure,
  rpm: number,
  { mostMm = 60, tolerance = 5e-4, levels = LEVELS, fromMm }: LimitOptions = {},
): PeriodicLimit {
  requirePositive('spindle speed', rpm);
  const overview = overviewOf(cut, structure, rpm);
  const overviewMm = overview?.middleMm ?? null;
  const modes = freeModes(structure);
  const aboutMm = Math.min(mostMm, overviewMm ?? mostMm);
  const wish = {
    firstMm: firstOf(fromMm, aboutMm),
    // Where the overview has no border in reach, the deepest cut tells at once.
    nextMm: fromMm === undefined ? null : aboutMm,
    aboutMm,
    mostMm,
    tolerance,
    width: fromMm === undefined ? SEARCHED : SEARCHED_NEAR,
  };
  const deepestMm = Math.min(mostMm, overview?.leastMm ?? mostMm);
  const tried = (hz: number): { growth: GrowthAt; found: ReturnType<typeof searched> } => {
    const growth = growthAt(cut, modes, rpm);
    const followed = levels.map(({ reach, ...level }) => (reach ? { ...level, upToHz: reach * hz } : level));
    const found = searched(growth, followed, wish);
    return found === 'unfollowed' ? tried(FURTHER * hz) : { growth, found };
  };
  // In slow cuts chatter is far below the tool's own modes, which the land damps away, and following it alone is little work.
  const { growth, found } = tried(
    highestChatter(cut, structure, rpm, LOOKED_AT * deepestMm) || softestMode(structure).hz,
  );
  if (found === 'none' || found === 'unfollowed') {
    return { depthMm: null, hz: null, kind: null, overviewMm, error: 0 };
  }
  const { border, error } = found;
  const { hz, map, top } = heardAt(border, growth, structure);
  return {
    depthMm: border.depthMm,
    hz,
    kind: Math.PI - top.angle < FLIP && map.perTurn > 1 ? 'flip' : 'hopf',
    overviewMm,
    error: silence(map, structure, hz) > SILENT ? Infinity : error,
  };
}
