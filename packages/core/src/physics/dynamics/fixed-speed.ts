import { requirePositive } from '../../units/input-error.ts';
import {
  type ChatterCut,
  dampingOf,
  edgeSpeed,
  meanDirection,
  meanFactors,
  requireCut,
} from './chatter-cut.ts';
import type { Complex } from '../../numerics/complex.ts';
import { eigenvaluePair } from '../../numerics/eigenvalue-pair.ts';
import { countingModes, receptanceAt, type TipStructure } from './tip-structure.ts';

/** Receptance of the tip by direction and cross, m/N, at a frequency. */
export type TipResponse = (hz: number) => {
  readonly xx: Complex;
  readonly yy: Complex;
  readonly xy?: Complex;
};

/** A border of stability: depth, and the frequency it would be heard at. */
export interface StabilityLimit {
  /** Depth, mm; null where no depth searched is unstable. */
  readonly depthMm: number | null;
  readonly hz: number | null;
}

export interface FixedSpeedRange {
  readonly fromHz: number;
  readonly toHz: number;
  /** Lines a wave of the tooth's delay gets; the crossing lies between two of them. */
  readonly perTurnOfPhase?: number;
  /** Most a line may be apart from the next, as a share of its frequency. */
  readonly share?: number;
}

const TURN = 2 * Math.PI;

export const responseOf =
  (structure: TipStructure): TipResponse =>
  (hz) => ({ xx: receptanceAt(structure.x, hz), yy: receptanceAt(structure.y, hz) });

/**
 * Frequencies chatter may have. Mostly it is heard a little above a natural frequency, but a light cut of a single mode
 * chatters near half of it, and a heavy one far above.
 */
export function chatterRange(structure: TipStructure): FixedSpeedRange {
  const { x, y } = countingModes(structure);
  const hz = [...x, ...y].map((m) => m.hz);
  return { fromHz: 0.05 * Math.min(...hz), toHz: 3 * Math.max(...hz) };
}

/** Depth beyond which a border means nothing, mm. */
const NONE_MM = 1e4;

/** A cut averaged over a turn at one speed: what regenerates, what damps, and the delays of its teeth in s. */
export interface AveragedCut {
  readonly w: readonly number[];
  readonly d: readonly number[];
  readonly delays: Float64Array;
}

/** The two eigenvalues of −G·M at one frequency, as [re, im, re, im]; depth is 1/λ where λ is real and positive. */
function eigenvalues(cut: AveragedCut, respond: TipResponse, hz: number, out: Float64Array): void {
  const omega = TURN * hz;
  let [sre, sim] = [1, 0];
  const { delays, w, d } = cut;
  for (const tau of delays) {
    sre -= Math.cos(omega * tau) / delays.length;
    sim += Math.sin(omega * tau) / delays.length;
  }
  const { xx, yy, xy } = respond(hz);
  // M = S(ω)·W + iω·D, entry by entry, then P = G·M.
  const are = sre * w[0]!;
  const aim = sim * w[0]! + omega * d[0]!;
  const bre = sre * w[1]!;
  const bim = sim * w[1]! + omega * d[1]!;
  const cre = sre * w[2]!;
  const cim = sim * w[2]! + omega * d[2]!;
  const ere = sre * w[3]!;
  const eim = sim * w[3]! + omega * d[3]!;
  let p00re = xx.re * are - xx.im * aim;
  let p00im = xx.re * aim + xx.im * are;
  let p01re = xx.re * bre - xx.im * bim;
  let p01im = xx.re * bim + xx.im * bre;
  let p10re = yy.re * cre - yy.im * cim;
  let p10im = yy.re * cim + yy.im * cre;
  let p11re = yy.re * ere - yy.im * eim;
  let p11im = yy.re * eim + yy.im * ere;
  if (xy) {
    p00re += xy.re * cre - xy.im * cim;
    p00im += xy.re * cim + xy.im * cre;
    p01re += xy.re * ere - xy.im * eim;
    p01im += xy.re * eim + xy.im * ere;
    p10re += xy.re * are - xy.im * aim;
    p10im += xy.re * aim + xy.im * are;
    p11re += xy.re * bre - xy.im * bim;
    p11im += xy.re * bim + xy.im * bre;
  }
  // λ² + tr·λ + det = 0 for −P.
  const tre = (p00re + p11re) / 2;
  const tim = (p00im + p11im) / 2;
  const dre = p00re * p11re - p00im * p11im - (p01re * p10re - p01im * p10im);
  const dim = p00re * p11im + p00im * p11re - (p01re * p10im + p01im * p10re);
  eigenvaluePair(-tre, -tim, dre, dim, out);
}

const probe = new Float64Array(4);
/** Rounds of closing in on a crossing; each halves the range at the least. */
const ROUNDS = 18;
/** Close enough, as a share of the frequency. */
const CLOSE = 1e-6;

/**
 * Closes in on the place between two frequencies where the eigenvalue that has a value at the lower one becomes real, by false
 * position with halving (Illinois). Null where it is real and negative there: no depth.
 */
export function crossingBetween(
  cut: AveragedCut,
  respond: TipResponse,
  lowHz: number,
  highHz: number,
  lowRe: number,
  lowIm: number,
): { readonly depthMm: number; readonly hz: number } | null {
  let [a, b] = [lowHz, highHz];
  let [re, im] = [lowRe, lowIm];
  let fa = lowIm;
  let fb = NaN;
  let side = 0;
  let real = 0;
  for (let i = 0; i < ROUNDS && b - a > CLOSE * b; i++) {
    const t = Number.isNaN(fb) ? 0.5 : Math.min(0.95, Math.max(0.05, fa / (fa - fb)));
    const hz = a + t * (b - a);
    eigenvalues(cut, respond, hz, probe);
    const near = (k: number): number => Math.hypot(probe[k]! - re, probe[k + 1]! - im);
    const k = near(0) <= near(2) ? 0 : 2;
    real = probe[k]!;
    const f = probe[k + 1]!;
    if (f > 0 === lowIm > 0) {
      a = hz;
      [re, im] = [real, f];
      fa = f;
      if (side === 1 && !Number.isNaN(fb)) fb /= 2;
      side = 1;
    } else {
      b = hz;
      fb = f;
      if (side === -1) fa /= 2;
      side = -1;
    }
  }
  return real > 0 ? { depthMm: 1000 / real, hz: (a + b) / 2 } : null;
}

/**
 * Zero-order stability limit at one speed: the least depth at which the averaged cut has an undamped vibration.
 *
 * At a fixed speed the depth enters linearly, process damping included, so that no iteration over depth and no lobe
 * numbers are needed: the depth is the reciprocal of a real eigenvalue. Altintas & Budak 1995 for the averaged cut;
 * unequal pitch by the mean over the delays (Budak 2003); process damping averaged over the arc (Altintas et al. 2008).
 * An overview: interrupted cuts may be 30% off. Throws on an impossible cut or speed.
 */
export function limitAtSpeed(
  cut: ChatterCut,
  respond: TipResponse,
  rpm: number,
  range: FixedSpeedRange,
): StabilityLimit {
  requireCut(cut);
  requirePositive('spindle speed', rpm);
  const delays = Float64Array.from(cut.pitch, (p) => (p / TURN) * (60 / rpm));
  const longest = Math.max(...delays);
  const [ss, sc, cc] = meanFactors(cut);
  const at = {
    w: meanDirection(cut),
    d: dampingOf(cut, edgeSpeed(cut, rpm), ss, sc, cc),
    delays,
  };
  const { fromHz, toHz, perTurnOfPhase = 14, share = 0.004 } = range;
  const before = new Float64Array(4);
  const now = new Float64Array(4);
  let best = NONE_MM;
  let bestHz: number | null = null;
  const consider = (lowHz: number, highHz: number, low: Float64Array, high: Float64Array): void => {
    for (const branch of [0, 2]) {
      // Follow the branch to the nearer eigenvalue of the next line.
      const near = (k: number): number =>
        Math.hypot(high[k]! - low[branch]!, high[k + 1]! - low[branch + 1]!);
      const other = near(0) <= near(2) ? 0 : 2;
      const [a, b] = [low[branch + 1]!, high[other + 1]!];
      if (a * b > 0 || a === b) continue;
      const t = a / (a - b);
      const real = low[branch]! + t * (high[other]! - low[branch]!);
      if (real <= 0) continue;
      const depth = 1000 / real;
      if (depth < best * 1.15) {
        const exact = crossingBetween(at, respond, lowHz, highHz, low[branch]!, low[branch + 1]!);
        if (exact && exact.depthMm < best) [best, bestHz] = [exact.depthMm, exact.hz];
      }
    }
  };
  let hz = fromHz;
  eigenvalues(at, respond, hz, before);
  while (hz < toHz) {
    const next = hz + Math.min(hz * share, 1 / (longest * perTurnOfPhase));
    eigenvalues(at, respond, next, now);
    consider(hz, next, before, now);
    before.set(now);
    hz = next;
  }
  return { depthMm: best === NONE_MM ? null : best, hz: bestHz };
}
