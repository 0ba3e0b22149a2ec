import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { InputError } from '../../../units/input-error.ts';
import { DAMPING, type Receptance, softModes, type TipMode } from '../tip-structure.ts';

/** Modes fitted to a measured response. */
export interface ModalFit {
  readonly modes: readonly TipMode[];
  /** What stiffer modes outside the range add, m/N. */
  readonly residual: number;
  /** Root mean square of what the fit does not explain, over that of the response. */
  readonly misfit: number;
  /** Log standard deviation of frequency, damping and stiffness of each mode, from the misfit. */
  readonly sigma: readonly { readonly hz: number; readonly damping: number; readonly stiffness: number }[];
}

export interface ModalFitOptions {
  readonly fromHz?: number;
  readonly toHz?: number;
  /** Modes wanted; without it as many as the response tells apart. */
  readonly modes?: number;
  readonly mostModes?: number;
  /** Modes to start from, refined together; without them the peaks are found one after the other. */
  readonly start?: readonly TipMode[];
}

/** Points a fit uses; neighbouring lines of a finer response are averaged. */
const MOST_POINTS = 700;
/** A further mode must lower the misfit by this share. */
const WORTH = 0.12;
/** A misfit below this leaves nothing to explain. */
const EXPLAINED = 1e-3;
/** A fit from given modes is taken where it explains this much. */
const GOOD_START = 0.12;

/**
 * Damping ratio of most tips of cutters, and how far a tip's is from it, as a log standard deviation. A mode whose peak lies outside the
 * lines shows its damping to nobody: noise alone would make it next to nothing, and what gives least would seem to give most.
 */
export const USUAL_DAMPING = 0.04;
const USUAL_SPREAD = 0.7;
/** Noise the usual damping is weighed against, as a share of the response. */
const USUAL_NOISE = 0.03;
/** A mode that gives less than this share of what the softest does at its peak is none: noise has such bumps. */
const GIVES = 0.02;
/** More damping than this has no peak to be found. */
const MOST_DAMPING = 0.4;

interface Points {
  readonly hz: Float64Array;
  readonly re: Float64Array;
  readonly im: Float64Array;
  readonly size: number;
}

function pointsOf(g: Receptance, from: number, to: number): Points {
  const keep: number[] = [];
  for (let i = 0; i < g.hz.length; i++) if (g.hz[i]! >= from && g.hz[i]! <= to) keep.push(i);
  const every = Math.max(1, Math.ceil(keep.length / MOST_POINTS));
  // Thinned by averaging neighbours: noise goes down with the points.
  const n = Math.floor(keep.length / every);
  const hz = new Float64Array(n);
  const re = new Float64Array(n);
  const im = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    for (let k = 0; k < every; k++) {
      const at = keep[i * every + k]!;
      hz[i]! += g.hz[at]! / every;
      re[i]! += g.re[at]! / every;
      im[i]! += g.im[at]! / every;
    }
  }
  let sum = 0;
  for (let i = 0; i < n; i++) sum += re[i]! ** 2 + im[i]! ** 2;
  return { hz, re, im, size: Math.sqrt(sum / Math.max(1, n)) };
}

const responseAt = (modes: readonly TipMode[], residual: number, hz: number): readonly [number, number] => {
  let [re, im] = [residual, 0];
  for (const m of modes) {
    const r = hz / m.hz;
    const a = 1 - r * r;
    const b = 2 * m.damping * r;
    const d = m.stiffness * (a * a + b * b);
    re += a / d;
    im -= b / d;
  }
  return [re, im];
};

function misfitOf(p: Points, modes: readonly TipMode[], residual: number): number {
  let sum = 0;
  for (let i = 0; i < p.hz.length; i++) {
    const [re, im] = responseAt(modes, residual, p.hz[i]!);
    sum += (re - p.re[i]!) ** 2 + (im - p.im[i]!) ** 2;
  }
  return Math.sqrt(sum / p.hz.length) / p.size;
}

/** The next mode to try: where the imaginary part not yet explained dips deepest, smoothed over five lines. */
function strongestLeft(p: Points, modes: readonly TipMode[], residual: number): TipMode | null {
  const n = p.hz.length;
  const left = Float64Array.from(
    { length: n },
    (_, i) => p.im[i]! - responseAt(modes, residual, p.hz[i]!)[1],
  );
  const smooth = (i: number): number => {
    let sum = 0;
    let count = 0;
    for (let k = Math.max(0, i - 2); k <= Math.min(n - 1, i + 2); k++) {
      sum += left[k]!;
      count++;
    }
    return sum / count;
  };
  let [best, at] = [0, -1];
  for (let i = 1; i < n - 1; i++) {
    const v = -smooth(i);
    if (v > best) [best, at] = [v, i];
  }
  if (at < 0) return null;
  // Width at half the depth gives a first damping.
  let [a, b] = [at, at];
  while (a > 0 && -smooth(a) > best / 2) a--;
  while (b < n - 1 && -smooth(b) > best / 2) b++;
  const hz = p.hz[at]!;
  const damping = Math.min(0.15, Math.max(0.004, (p.hz[b]! - p.hz[a]!) / (2 * hz)));
  return { hz, damping, stiffness: 1 / (2 * damping * best) };
}

/**
 * Refines modes and the residual together by Levenberg–Marquardt on both parts of the response, and on how far each damping is from
 * what is usual (a Gaussian prior): where the lines tell it they outweigh that a thousand times.
 */
function refine(
  p: Points,
  start: readonly TipMode[],
  residual: number,
): { modes: TipMode[]; residual: number } {
  const n = p.hz.length;
  // Real parts, imaginary parts, and of each mode how unusual its damping is: none is wanted to be.
  const y = [...p.re, ...p.im].map((v) => v / p.size).concat(start.map(() => 0));
  const x = y.map((_, i) => i);
  const unpack = (q: readonly number[]): { modes: TipMode[]; residual: number } => ({
    modes: start.map((m, i) => ({
      hz: m.hz * (1 + 0.02 * q[3 * i]!),
      damping: m.damping * Math.exp(q[3 * i + 1]!),
      stiffness: m.stiffness * Math.exp(q[3 * i + 2]!),
    })),
    residual: residual + q[3 * start.length]! * p.size,
  });
  const model = (q: number[]): ((i: number) => number) => {
    const at = unpack(q);
    const all = new Float64Array(y.length);
    // Both parts of a line come from one evaluation.
    for (let i = 0; i < n; i++) {
      const [a, b] = responseAt(at.modes, at.residual, p.hz[i]!);
      all[i] = a / p.size;
      all[n + i] = b / p.size;
    }
    at.modes.forEach((m, i) => {
      all[2 * n + i] = (USUAL_NOISE / USUAL_SPREAD) * Math.log(m.damping / USUAL_DAMPING);
    });
    return (i) => all[i]!;
  };
  try {
    const fitted = levenbergMarquardt({ x, y }, model, {
      initialValues: new Array<number>(3 * start.length + 1).fill(0),
      gradientDifference: 1e-4,
      damping: 1e-2,
      maxIterations: 40,
      errorTolerance: 1e-12,
      improvementThreshold: 1e-9,
      centralDifference: true,
    });
    return unpack(fitted.parameterValues);
  } catch {
    // Two modes run into one another and their columns become alike: the start is the better answer.
    return { modes: [...start], residual };
  }
}

const possible = (m: TipMode): boolean => m.damping > DAMPING.least && m.damping < MOST_DAMPING;

/**
 * Modes of a measured response: the strongest peak first, all refined together on the complex response, then the next,
 * as long as each explains more than noise would. Real modes with a constant residual for what lies above the range.
 * Ewins 2000, ch. 4; nonlinear least squares after Marquardt 1963.
 * Throws InputError with fewer than 12 lines or lines that do not rise.
 */
export function fitModes(g: Receptance, options: ModalFitOptions = {}): ModalFit {
  const { fromHz = g.hz[0] ?? 0, toHz = g.hz[g.hz.length - 1] ?? 0, mostModes = 6 } = options;
  for (let i = 1; i < g.hz.length; i++) {
    if (!(g.hz[i]! > g.hz[i - 1]!)) {
      throw new InputError([{ field: `line ${i + 1}`, value: g.hz[i], allowed: `above ${g.hz[i - 1]} Hz` }]);
    }
  }
  const p = pointsOf(g, fromHz, toHz);
  if (p.hz.length < 12) {
    throw new InputError([
      { field: 'frequency response', value: p.hz.length, allowed: 'at least 12 lines in the range' },
    ]);
  }
  let modes: TipMode[] = [];
  let residual = 0;
  let misfit = 1;
  const wanted = options.modes ?? mostModes;
  if (options.start && options.start.length > 0) {
    const tried = refine(p, options.start, 0);
    const sound = tried.modes.every(possible);
    const now = misfitOf(p, tried.modes, tried.residual);
    if (sound && now < GOOD_START) {
      const sorted = [...tried.modes].sort((a, b) => a.hz - b.hz);
      return {
        modes: sorted,
        residual: tried.residual,
        misfit: now,
        sigma: sigmaOf(p, sorted, tried.residual, now),
      };
    }
  }
  for (let round = 0; round < wanted; round++) {
    const next = strongestLeft(p, modes, residual);
    if (!next) break;
    const tried = refine(p, [...modes, next], residual);
    const now = misfitOf(p, tried.modes, tried.residual);
    const structure = { x: tried.modes, y: [] };
    const sound =
      tried.modes.every((m) => possible(m) && m.hz > fromHz * 0.5 && m.hz < toHz * 1.5) &&
      softModes(structure, GIVES).x.length === tried.modes.length;
    if (options.modes === undefined && (!sound || now > misfit * (1 - WORTH))) break;
    ({ modes, residual } = tried);
    misfit = now;
    if (misfit < EXPLAINED && options.modes === undefined) break;
  }
  modes.sort((a, b) => a.hz - b.hz);
  return { modes, residual, misfit, sigma: sigmaOf(p, modes, residual, misfit) };
}

/** Cramér–Rao: how far each parameter may be off for white noise of the size of the misfit, modes taken one by one. */
function sigmaOf(p: Points, modes: readonly TipMode[], residual: number, misfit: number): ModalFit['sigma'] {
  const noise = (misfit * p.size) / Math.SQRT2;
  return modes.map((mode, at) => {
    const slope = (key: 'hz' | 'damping' | 'stiffness'): number => {
      let sum = 0;
      const moved = modes.map((m, i) => (i === at ? { ...m, [key]: m[key] * 1.0001 } : m));
      for (let i = 0; i < p.hz.length; i++) {
        const a = responseAt(modes, residual, p.hz[i]!);
        const b = responseAt(moved, residual, p.hz[i]!);
        sum += (b[0] - a[0]) ** 2 + (b[1] - a[1]) ** 2;
      }
      return Math.sqrt(sum) / 1e-4;
    };
    // Damping and stiffness share the peak's height: neither is known as well as alone.
    const shared = Math.SQRT2;
    return {
      hz: noise / slope('hz'),
      damping: (shared * noise) / slope('damping'),
      stiffness: (shared * noise) / slope('stiffness'),
    };
  });
}
