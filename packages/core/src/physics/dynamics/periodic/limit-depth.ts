import { requirePositive } from '../../../units/input-error.ts';
import { averagedBorder, longestDelay, responseGrid } from '../averaged-border.ts';
import { type ChatterCut, isUniform } from '../chatter-cut.ts';
import { highestChatter } from '../highest-chatter.ts';
import { softestMode, type TipStructure } from '../tip-structure.ts';
import { expectedSlope } from './expected-slope.ts';
import { freeModes } from './free-motion.ts';
import { type GrowthAt, growthAt } from './growth.ts';
import { fallsSilent, heardAt } from './heard-at-border.ts';
import { searched, type Searched } from './level-search.ts';
import { type Level, LEVELS } from './resolution.ts';

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
   * teeth, so that nothing is handed on from one to the next and no multiplier has a border that a computation could find; and
   * where more waves go into a period than are followed: then the border is the averaged one.
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
   * instead of coming up slowly, but never past it unseen. Quicker, blind to an island between.
   */
  readonly fromMm?: number;
}

/** Angle from −1 within which a multiplier is a flip, rad. */
const FLIP = 0.02;
/** Share of the averaged border at which a search that looks for islands begins. */
const FROM_BELOW = 0.35;

interface Overview {
  readonly middleMm: number;
  readonly leastMm: number;
  readonly hz: number;
}

/** Border of the averaged cut, mm: between that with equal teeth and that with all delays, and the lower one, with its frequency; null where there is none. */
function overviewOf(cut: ChatterCut, structure: TipStructure, rpm: number): Overview | null {
  const grid = responseGrid(structure, longestDelay(cut, rpm));
  const equal = { ...cut, pitch: cut.pitch.map(() => (2 * Math.PI) / cut.pitch.length) };
  const found = (isUniform(cut) ? [cut] : [cut, equal])
    .map((c) => averagedBorder(c, grid, rpm))
    .filter(({ depthMm }) => depthMm !== Infinity)
    .sort((a, b) => a.depthMm - b.depthMm);
  const [least] = found;
  if (!least) return null;
  const middleMm = Math.exp(found.reduce((sum, { depthMm }) => sum + Math.log(depthMm), 0) / found.length);
  return { middleMm, leastMm: least.depthMm, hz: least.hz };
}

/** The averaged cut may be off: chatter is looked for up to so many times the border it has; less where teeth are in the cut all the time. */
const LOOKED_AT = 2;
const LOOKED_AT_STEADY = 1.4;
/** Teeth in the cut on average from which on one always is, and the next before it leaves. */
const STEADY_TEETH = 1.25;

function lookedAt({ pitch, entry, exit }: ChatterCut): number {
  const teeth = (pitch.length * (exit - entry)) / (2 * Math.PI);
  return teeth >= STEADY_TEETH ? LOOKED_AT_STEADY : LOOKED_AT;
}

/** Where what was followed did not reach, so many times as much is. */
const FURTHER = 2.5;
/** Waves in a period that are followed at most: a face mill at a few turns a minute would ask for gigabytes. */
const MOST_WAVES = 6000;

const NO_BORDER = { depthMm: null, hz: null, kind: null } as const;

/** The averaged border in place of one that nobody could follow. */
function averagedLimit(overview: Overview | null, mostMm: number): PeriodicLimit {
  const overviewMm = overview?.middleMm ?? null;
  const border =
    overview && overview.middleMm <= mostMm
      ? ({ depthMm: overview.middleMm, hz: overview.hz, kind: 'hopf' } as const)
      : NO_BORDER;
  return { ...border, overviewMm, error: Infinity };
}

/** Depth a search begins at, mm: well below where the border is expected, or there at once where the cut asked about is shallower still. */
function firstOf(fromMm: number | undefined, aboutMm: number): number {
  const below = FROM_BELOW * aboutMm;
  if (fromMm === undefined) return below;
  return fromMm < below ? aboutMm : Math.min(fromMm, aboutMm);
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
  const aboutHz = overview?.hz ?? softestMode(structure).hz;
  const aboutMm = Math.min(mostMm, overviewMm ?? mostMm);
  const wish = {
    firstMm: firstOf(fromMm, aboutMm),
    // Where the overview has no border in reach, the deepest cut tells at once.
    nextMm: fromMm === undefined ? null : aboutMm,
    askedMm: fromMm,
    aboutMm,
    mostMm,
    tolerance,
    slope: expectedSlope(cut, structure, rpm, aboutHz),
  };
  const deepestMm = Math.min(mostMm, overview?.leastMm ?? mostMm);
  const topHz = Math.max(...modes.omega) / (2 * Math.PI);
  const period = (60 / rpm) * (isUniform(cut) ? 1 / cut.pitch.length : 1);
  const tried = (upToHz: number): { growth: GrowthAt; found: Searched | 'none' } | 'too many' => {
    const growth = growthAt(cut, modes, rpm, aboutHz);
    const followed = levels
      .map(({ reach, ...level }) => (reach ? { ...level, upToHz: reach * upToHz } : level))
      .filter((level) => Math.min(topHz, level.upToHz ?? topHz) * period <= MOST_WAVES);
    if (followed.length === 0) return 'too many';
    const found = searched(growth, followed, wish);
    return found === 'unfollowed' ? tried(FURTHER * upToHz) : { growth, found };
  };
  // In slow cuts chatter is far below the tool's own modes, which the land damps away, and following it alone is little work.
  const searchedFor = tried(highestChatter(cut, structure, rpm, lookedAt(cut) * deepestMm) || aboutHz);
  if (searchedFor === 'too many') return averagedLimit(overview, mostMm);
  const { growth, found } = searchedFor;
  if (found === 'none') return { ...NO_BORDER, overviewMm, error: 0 };
  const { border, error } = found;
  const { hz, map, top } = heardAt(border, growth, structure);
  return {
    depthMm: border.depthMm,
    hz,
    kind: Math.PI - top.angle < FLIP && map.perTurn > 1 ? 'flip' : 'hopf',
    overviewMm,
    error: fallsSilent(map, structure, hz) ? Infinity : error,
  };
}
