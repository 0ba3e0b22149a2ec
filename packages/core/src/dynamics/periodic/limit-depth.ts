import { requirePositive } from '../../domain/input-error.ts';
import type { ChatterCut } from '../chatter-cut.ts';
import { chatterRange, limitAtSpeed, responseOf } from '../fixed-speed.ts';
import { receptanceAt, type TipStructure, withoutStiffModes } from '../tip-structure.ts';
import { type ArnoldiOptions, dominantMultiplier, type Multiplier } from './dominant.ts';
import { type FreeModes, freeModes } from './free-motion.ts';
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
  /** Limit of the averaged cut, mm: the overview. */
  readonly overviewMm: number | null;
}

export interface LimitOptions {
  readonly mostMm?: number;
  /** Relative width the border is closed in to. */
  readonly width?: number;
  readonly resolution?: Resolution;
  readonly arnoldi?: ArnoldiOptions;
}

const TURN = 2 * Math.PI;
const QUICK: ArnoldiOptions = { vectors: 14, tolerance: 0.01, restarts: 2 };
const NEAR = 0.12;
/** Modes under this share of the softest one's give are left out: they would only shorten the pieces. */
export const NEGLIGIBLE = 0.06;
/** Angle from −1 within which a multiplier is a flip, rad. */
const FLIP = 0.02;

/**
 * The frequency a multiplier is heard at, Hz: of all f = (±arg μ + 2πk)/(2πT) the one at which the tip gives way most
 * above its natural frequencies, where regenerative chatter lives.
 */
export function heardAt(map: PeriodMap, { angle }: Multiplier, structure: TipStructure): number {
  const { fromHz, toHz } = chatterRange(structure);
  let best = 0;
  let most = -1;
  for (let k = 0; k / map.period < toHz + 1 / map.period; k++) {
    for (const sign of [1, -1]) {
      const hz = (k + (sign * angle) / TURN) / map.period;
      if (hz < fromHz || hz > toHz) continue;
      const x = receptanceAt(structure.x, hz);
      const y = receptanceAt(structure.y, hz);
      // Waves grow where the tip moves against the force: the negative real part.
      const give = Math.max(-x.re, -y.re, 0) + 1e-3 * Math.max(-x.im, -y.im);
      if (give > most) [most, best] = [give, hz];
    }
  }
  return best;
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
  { mostMm = 60, width = 0.002, resolution = FINE, arnoldi }: LimitOptions = {},
): PeriodicLimit {
  requirePositive('spindle speed', rpm);
  const structure = withoutStiffModes(whole, NEGLIGIBLE);
  const modes: FreeModes = freeModes(structure);
  const overview = limitAtSpeed(cut, responseOf(structure), rpm, chatterRange(structure)).depthMm;
  const growth = (depth: number): { log: number; map: PeriodMap; top: Multiplier } => {
    const map = periodMap(cut, modes, rpm, depth, resolution);
    let top = dominantMultiplier(map, QUICK);
    // Far from the border a rough answer decides.
    if (Math.abs(Math.log(Math.max(top.size, 1e-9))) < NEAR) top = dominantMultiplier(map, arnoldi);
    return { log: Math.log(Math.max(top.size, 1e-9)), map, top };
  };
  let low = Math.min(mostMm, 0.35 * (overview ?? mostMm));
  let atLow = growth(low);
  for (let i = 0; atLow.log >= 0 && i < 20; i++) {
    low *= 0.6;
    atLow = growth(low);
  }
  let high = low;
  let atHigh = atLow;
  while (atHigh.log < 0) {
    if (high >= mostMm) return { depthMm: null, hz: null, kind: null, overviewMm: overview };
    [low, atLow] = [high, atHigh];
    high = Math.min(mostMm, high * (high < 0.8 * (overview ?? mostMm) ? 1.5 : 1.22));
    atHigh = growth(high);
  }
  // Regula falsi with halving (Illinois) on log |μ|.
  let [a, b] = [atLow.log, atHigh.log];
  let border = atHigh;
  let side = 0;
  for (let i = 0; i < 30 && high - low > width * high; i++) {
    const share = Math.min(0.9, Math.max(0.1, a / (a - b)));
    const middle = low + share * (high - low);
    const at = growth(middle);
    if (at.log >= 0) {
      [high, b, border] = [middle, at.log, at];
      if (side === 1) a /= 2;
      side = 1;
    } else {
      [low, a] = [middle, at.log];
      if (side === -1) b /= 2;
      side = -1;
    }
  }
  return {
    depthMm: low + (high - low) * Math.min(1, Math.max(0, a / (a - b))),
    hz: heardAt(border.map, border.top, structure),
    kind: Math.PI - border.top.angle < FLIP && border.map.perTurn > 1 ? 'flip' : 'hopf',
    overviewMm: overview,
  };
}
