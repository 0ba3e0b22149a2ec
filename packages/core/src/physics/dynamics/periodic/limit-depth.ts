import { requirePositive } from '../../../units/input-error.ts';
import { averagedBorder, longestDelay, responseGrid } from '../averaged-border.ts';
import { type ChatterCut, isUniform } from '../chatter-cut.ts';
import { highestChatter } from '../highest-chatter.ts';
import { softestMode, type TipMode, type TipStructure } from '../tip-structure.ts';
import {
  type Border,
  bracketed,
  closedIn,
  type Growth,
  type GrowthAt,
  growthAt,
  sharpened,
  zeroOf,
} from './border-search.ts';
import type { ArnoldiOptions } from './dominant.ts';
import { freeModes } from './free-motion.ts';
import { heardFrequency } from './heard-frequency.ts';
import type { PeriodMap } from './period-map.ts';
import { gainOf, type Level, LEVELS, type Resolution } from './resolution.ts';
import { unfollowedShare } from './unfollowed.ts';

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
  /** Begin near the averaged border instead of well below it: quicker, blind to an island lower down. */
  readonly nearOverview?: boolean;
}

/** Far from the border a rough answer decides. */
const FAR = { from: 0.12, tolerance: 0.01 } as const;
const ROUGH: ArnoldiOptions = { tolerance: 5e-3, restarts: 3, far: FAR };
/** Angle from −1 within which a multiplier is a flip, rad. */
const FLIP = 0.02;
/** Share of the depth the first, coarse search closes in to. */
const SEARCHED = 0.12;
/** Begun near the border, secants get there sooner than a closing bracket. */
const SEARCHED_NEAR = 0.45;
/** What the coarsest resolution leaves at most, as a share of the depth: measured over random cuts. */
const COARSE_ERROR = 0.003;
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

/** The levels, each following its reach of the highest frequency chatter may have, Hz. */
const followedBy = (levels: readonly Level[], hz: number): readonly Resolution[] =>
  levels.map(({ reach, ...level }) => (reach ? { ...level, upToHz: reach * hz } : level));

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

/** A border found so far, and what its resolution leaves, as a share of the depth. */
interface Searched {
  readonly border: Found;
  readonly error: number;
}

/** What grows is an artefact of nodes that do not follow it where so much of it lies in their highest orders. */
const UNFOLLOWED = 0.45;

/**
 * Looks for the border with the first level and sharpens it with the others. 'none' where nothing grows up to the deepest,
 * 'unfollowed' where what grows is quicker than the first level follows.
 */
function searched(
  growth: GrowthAt,
  levels: readonly Resolution[],
  {
    firstMm,
    aboutMm,
    mostMm,
    tolerance,
    width,
  }: {
    readonly firstMm: number;
    readonly aboutMm: number;
    readonly mostMm: number;
    readonly tolerance: number;
    readonly width: number;
  },
): Searched | 'none' | 'unfollowed' {
  const coarse = (depthMm: number): Growth => growth(depthMm, levels[0]!, ROUGH);
  const bracket = bracketed(coarse, firstMm, aboutMm, mostMm);
  if (!bracket) return 'none';
  const [low, high] = closedIn(coarse, bracket, width);
  const close: ArnoldiOptions = { tolerance: tolerance / 4, restarts: 8, far: FAR };
  const at = (level: number, from: { depthMm: number; slope: number }): Found => ({
    ...sharpened((depthMm) => growth(depthMm, levels[level]!, close), from, mostMm, tolerance / 2),
    level: levels[level]!,
  });
  let border = at(0, {
    depthMm: low === high ? low.depthMm : zeroOf(low, high),
    slope: low === high ? 1 : (high.log - low.log) / Math.log(high.depthMm / low.depthMm),
  });
  if (levels[0]!.upToHz && unfollowedShare(border.found.map, border.found.top) > UNFOLLOWED)
    return 'unfollowed';
  let error = COARSE_ERROR;
  for (let level = 1; level < levels.length && error > tolerance; level++) {
    const finer = at(level, border);
    const moved = Math.abs(Math.log(finer.depthMm / border.depthMm));
    error = SAFETY * gainOf(levels[level - 1]!, levels[level]!) * moved;
    border = finer;
    // Multipliers stand close in slow cuts: another one may have overtaken what was followed up to here.
    const other = growth.again(border.found, close);
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
  { mostMm = 60, tolerance = 5e-4, levels = LEVELS, nearOverview = false }: LimitOptions = {},
): PeriodicLimit {
  requirePositive('spindle speed', rpm);
  const overview = overviewOf(cut, structure, rpm);
  const overviewMm = overview?.middleMm ?? null;
  const modes = freeModes(structure);
  const aboutMm = Math.min(mostMm, overviewMm ?? mostMm);
  const wish = {
    // Where the overview has no border in reach, the deepest cut tells at once.
    firstMm: nearOverview ? aboutMm : 0.35 * aboutMm,
    aboutMm,
    mostMm,
    tolerance,
    width: nearOverview ? SEARCHED_NEAR : SEARCHED,
  };
  const deepestMm = Math.min(mostMm, overview?.leastMm ?? mostMm);
  // In slow cuts chatter is far below the tool's own modes, which the land damps away, and following it alone is little work.
  let hzToFollow = highestChatter(cut, structure, rpm, LOOKED_AT * deepestMm) || softestMode(structure).hz;
  let growth = growthAt(cut, modes, rpm);
  let found: ReturnType<typeof searched>;
  while ((found = searched(growth, followedBy(levels, hzToFollow), wish)) === 'unfollowed') {
    hzToFollow *= FURTHER;
    growth = growthAt(cut, modes, rpm);
  }
  if (found === 'none') return { depthMm: null, hz: null, kind: null, overviewMm, error: 0 };
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
