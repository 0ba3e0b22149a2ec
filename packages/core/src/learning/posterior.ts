import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import type { NormalPart } from '../numerics/normal-mixture.ts';
import { logTerm } from '../physics/life/censored-term.ts';

/** What is believed of an unknown before the trials: normal. */
export interface Prior {
  readonly mean: number;
  readonly sd: number;
}

/** One reading: a number that was reached, or one that was not yet reached when it was looked at (censored from below). */
export interface Reading {
  readonly y: number;
  readonly reached: boolean;
  /** Standard deviation of the reading itself, beside what differs from piece to piece. */
  readonly readingSd: number;
  /** Unknowns it depends on. */
  readonly touches: readonly number[];
  /** Value at these unknowns; writes its slope along each of `touches`. */
  readonly predict: (unknowns: Float64Array, slopes: Float64Array) => number;
}

/** The posterior for one scatter from piece to piece: normal about its mode. */
interface Node {
  readonly weight: number;
  readonly sigma: number;
  readonly mode: Float64Array;
  readonly covariance: Matrix;
}

/** What is believed after the trials: a normal for each of several scatters, weighed by how well it explains them. */
export interface Posterior {
  readonly nodes: readonly Node[];
}

const ROUNDS = 40;
const MOST_HALVINGS = 25;
/** Step, in logarithms, from which on nothing one could read changes. */
const CLOSE = 1e-7;
const ROUNDING = 1e-12;

interface Here {
  readonly value: number;
  readonly step: Float64Array;
  readonly curvature: CholeskyDecomposition;
}

/** ln posterior at these unknowns for one scatter, and Gauss and Newton's step from here. */
function lookAround(
  unknowns: Float64Array,
  priors: readonly Prior[],
  readings: readonly Reading[],
  sigma: number,
): Here {
  const p = priors.length;
  const slope = new Float64Array(p);
  // By rows, the lower half only: the inner loop of a fit.
  const bend = new Float64Array(p * p);
  const slopes = new Float64Array(8);
  let value = 0;
  for (const [k, { mean, sd }] of priors.entries()) {
    const off = (unknowns[k]! - mean) / sd;
    value -= 0.5 * off * off;
    slope[k] = -off / sd;
    bend[k * p + k] = 1 / sd ** 2;
  }
  for (const { y, reached, readingSd, touches, predict } of readings) {
    const spread = Math.hypot(sigma, readingSd);
    const term = logTerm('lognormal', reached, (y - predict(unknowns, slopes)) / spread);
    value += term.value - (reached ? Math.log(spread) : 0);
    const push = -term.first / spread;
    const stiff = -term.second / (spread * spread);
    for (let a = 0; a < touches.length; a++) {
      const k = touches[a]!;
      slope[k]! += push * slopes[a]!;
      for (let b = 0; b <= a; b++) {
        const l = touches[b]!;
        bend[k > l ? k * p + l : l * p + k]! += stiff * (slopes[a]! * slopes[b]!);
      }
    }
  }
  const whole = new Matrix(p, p);
  for (let k = 0; k < p; k++)
    for (let l = 0; l <= k; l++) {
      whole.set(k, l, bend[k * p + l]!);
      whole.set(l, k, bend[k * p + l]!);
    }
  const curvature = new CholeskyDecomposition(whole);
  const step = Float64Array.from(curvature.solve(Matrix.columnVector([...slope])).to1DArray());
  return { value, step, curvature };
}

/** Mode for one scatter: Gauss and Newton's steps, halved until they climb. */
function modeOf(
  start: Float64Array,
  priors: readonly Prior[],
  readings: readonly Reading[],
  sigma: number,
): { readonly mode: Float64Array; readonly here: Here } {
  let mode = start;
  let here = lookAround(mode, priors, readings, sigma);
  for (let round = 0; round < ROUNDS; round++) {
    const size = Math.max(...here.step.map(Math.abs));
    if (size < CLOSE) break;
    let climbed = false;
    for (let n = 0, share = 1; n < MOST_HALVINGS && !climbed; n++, share /= 2) {
      const next = mode.map((v, k) => v + share * here.step[k]!);
      const there = lookAround(next, priors, readings, sigma);
      // Of thousands of terms the last digits are rounding.
      if (!(there.value >= here.value - ROUNDING * (1 + Math.abs(here.value)))) continue;
      mode = next;
      here = there;
      climbed = true;
    }
    if (!climbed) break;
  }
  return { mode, here };
}

/** Scatters looked at, in standard deviations of what is believed of the scatter before. */
const NODES = [-2.4, -1.6, -0.8, 0, 0.8, 1.6, 2.4];

/**
 * Bayes by Laplace's method: a normal about the mode of the unknowns for each of seven scatters, weighed by the share of the
 * evidence each explains (Tierney & Kadane 1986; Rue, Martino & Chopin 2009). `logScatter` is what is believed of ln of the scatter
 * from piece to piece; null where the readings carry all their spread. Readings not yet reached stay as such.
 */
export function posteriorOf(
  priors: readonly Prior[],
  readings: readonly Reading[],
  logScatter: Prior | null,
): Posterior {
  const start = Float64Array.from(priors, (q) => q.mean);
  if (logScatter === null) {
    const { mode, here } = modeOf(start, priors, readings, 0);
    return { nodes: [{ weight: 1, sigma: 0, mode, covariance: inverseOf(here, priors.length) }] };
  }
  // The scatters are looked at about where the trials put them: many trials know it far better than the prior.
  const at = (ln: number, from: Float64Array) => {
    const { mode, here } = modeOf(from, priors, readings, Math.exp(ln));
    const off = (ln - logScatter.mean) / logScatter.sd;
    return { mode, here, evidence: here.value - halfLogDet(here) - 0.5 * off * off };
  };
  const { centre, width } = scatterRange(logScatter, (ln) => at(ln, start).evidence);
  let from: Float64Array = start;
  const found = NODES.map((d) => {
    const ln = centre + d * width;
    const node = at(ln, from);
    from = node.mode;
    return { ...node, sigma: Math.exp(ln) };
  });
  const best = Math.max(...found.map((f) => f.evidence));
  const total = found.reduce((s, f) => s + Math.exp(f.evidence - best), 0);
  return {
    nodes: found.map(({ evidence, sigma, mode, here }) => ({
      weight: Math.exp(evidence - best) / total,
      sigma,
      mode,
      covariance: inverseOf(here, priors.length),
    })),
  };
}

const halfLogDet = ({ curvature }: Here): number => {
  const { lowerTriangularMatrix: l } = curvature;
  let sum = 0;
  for (let k = 0; k < l.rows; k++) sum += Math.log(l.get(k, k));
  return sum;
};

const inverseOf = ({ curvature }: Here, p: number): Matrix => curvature.solve(Matrix.eye(p, p));

/** Where the evidence of the scatter peaks and how wide it is, by a parabola through three points that follows it twice. */
function scatterRange(
  prior: Prior,
  evidence: (ln: number) => number,
): { readonly centre: number; readonly width: number } {
  let centre = prior.mean;
  let width = prior.sd;
  for (let n = 0; n < 4; n++) {
    const h = width / 2;
    const [low, middle, high] = [evidence(centre - h), evidence(centre), evidence(centre + h)];
    const bend = (low - 2 * middle + high) / h ** 2;
    const rise = (high - low) / (2 * h);
    if (!(bend < -1e-9)) {
      centre += Math.sign(rise) * h;
      continue;
    }
    const move = Math.min(2 * width, Math.max(-2 * width, -rise / bend));
    centre += move;
    width = Math.min(prior.sd, 1 / Math.sqrt(-bend));
    if (Math.abs(move) < 0.05 * width) break;
  }
  return { centre, width };
}

/** What is believed of a combination of unknowns, `weights` by place; unknowns beyond the trials are the caller's. */
export function believed(
  { nodes }: Posterior,
  weights: readonly (readonly [place: number, weight: number])[],
): NormalPart[] {
  return nodes.map(({ weight, mode, covariance }) => {
    let mean = 0;
    let variance = 0;
    for (const [k, a] of weights) {
      mean += a * mode[k]!;
      for (const [l, b] of weights) variance += a * b * covariance.get(k, l);
    }
    return { weight, mean, sd: Math.sqrt(Math.max(1e-12, variance)) };
  });
}
