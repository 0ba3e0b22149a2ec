import { requirePositive } from '../../domain/input-error.ts';
import { averagedBorder, longestDelay, responseGrid } from '../averaged-border.ts';
import type { ChatterCut } from '../chatter-cut.ts';
import { countingModes, type TipStructure } from '../tip-structure.ts';
import { type ArnoldiOptions, dominantMultiplier, type Multiplier } from './dominant.ts';
import { type FreeModes, freeModes } from './free-motion.ts';
import { heardFrequency } from './heard-frequency.ts';
import { FINE, type PeriodMap, periodMap, type Resolution } from './period-map.ts';

/** What the wave on the surface does at the border. */
export type ChatterKind = 'hopf' | 'flip';

/** The border depth of the periodic solution. */
export interface PeriodicLimit {
  /** Limit depth, mm; null where it is beyond the deepest looked at. */
  readonly depthMm: number | null;
  /** Frequency it would be heard at, Hz. */
  readonly hz: number | null;
  readonly kind: ChatterKind | null;
  /** Limit of the averaged cut, mm: the overview; null where it has none. */
  readonly overviewMm: number | null;
}

export interface LimitOptions {
  readonly mostMm?: number;
  /** Relative width the border is closed in to. */
  readonly width?: number;
  readonly resolution?: Resolution;
  readonly arnoldi?: ArnoldiOptions;
  /** Begin near the averaged border instead of well below it: quicker, blind to an island lower down. */
  readonly nearOverview?: boolean;
}

const QUICK: ArnoldiOptions = { vectors: 14, tolerance: 0.01, restarts: 2 };
const NEAR = 0.12;
/** Modes under this share of the softest one's give are left out: they would only shorten the pieces. */
const COUNTS = 0.1;
/** Modes this far below where anything chatters are as good as free masses there. */
const FAR_BELOW = 6;
/** Angle from −1 within which a multiplier is a flip, rad. */
const FLIP = 0.02;

/** The averaged borders with equal teeth and with all delays, and the structure without what bears on neither. */
function overviewOf(
  cut: ChatterCut,
  whole: TipStructure,
  rpm: number,
): { readonly structure: TipStructure; readonly overviewMm: number | null } {
  const counting = countingModes(whole, COUNTS);
  const grid = responseGrid(counting, longestDelay(cut, rpm));
  const equal = { ...cut, pitch: cut.pitch.map(() => (2 * Math.PI) / cut.pitch.length) };
  const [a, b] = [averagedBorder(cut, grid, rpm), averagedBorder(equal, grid, rpm)];
  const found = [a, b].filter((f) => f.depthMm !== Infinity);
  if (found.length === 0) return { structure: counting, overviewMm: null };
  const lowest = Math.min(...found.map((f) => f.hz)) / FAR_BELOW;
  const keep = (axis: 'x' | 'y') => counting[axis].filter((m) => m.hz > lowest);
  const structure = { x: keep('x'), y: keep('y') };
  return {
    structure: structure.x.length + structure.y.length > 0 ? structure : counting,
    overviewMm: Math.exp(found.reduce((sum, f) => sum + Math.log(f.depthMm), 0) / found.length),
  };
}

interface Growth {
  readonly depthMm: number;
  /** ln |μ|. */
  readonly log: number;
  readonly map: PeriodMap;
  readonly top: Multiplier;
}

/**
 * Border depth at one speed: the first depth from zero at which the periodic solution is not stable. Looks upward from
 * a third of the averaged cut's limit; a stable island above the first border is not looked for.
 * Throws on an impossible cut or speed.
 */
export function limitDepth(
  cut: ChatterCut,
  whole: TipStructure,
  rpm: number,
  { mostMm = 60, width = 0.002, resolution = FINE, arnoldi, nearOverview = false }: LimitOptions = {},
): PeriodicLimit {
  requirePositive('spindle speed', rpm);
  const { structure, overviewMm } = overviewOf(cut, whole, rpm);
  const modes: FreeModes = freeModes(structure);
  let last: Multiplier | undefined;
  const growth = (depthMm: number): Growth => {
    const map = periodMap(cut, modes, rpm, depthMm, resolution);
    let top = dominantMultiplier(map, QUICK, last);
    // Far from the border a rough answer decides.
    if (Math.abs(Math.log(Math.max(top.size, 1e-9))) < NEAR) top = dominantMultiplier(map, arnoldi, top);
    last = top;
    return { depthMm, log: Math.log(Math.max(top.size, 1e-9)), map, top };
  };
  const about = Math.min(mostMm, overviewMm ?? mostMm);
  let low = growth((nearOverview ? 0.85 : 0.35) * about);
  let high: Growth | null = null;
  for (let i = 0; low.log >= 0 && i < 24; i++) {
    high = low;
    low = growth(low.depthMm * (nearOverview && i === 0 ? 0.8 : 0.65));
  }
  while (!high) {
    if (low.depthMm >= mostMm) return { depthMm: null, hz: null, kind: null, overviewMm };
    const next = growth(Math.min(mostMm, low.depthMm * (low.depthMm < 0.8 * about ? 1.5 : 1.22)));
    if (next.log >= 0) high = next;
    else low = next;
  }
  // Regula falsi with halving (Illinois) on log |μ|.
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
  return {
    depthMm: low.depthMm + (high.depthMm - low.depthMm) * Math.min(1, Math.max(0, a / (a - b))),
    hz: heardFrequency(high.map, high.top, structure),
    kind: Math.PI - high.top.angle < FLIP && high.map.perTurn > 1 ? 'flip' : 'hopf',
    overviewMm,
  };
}
