import { inverse, Matrix } from 'ml-matrix';
import jstat from 'jstat';
import { InputError } from '../../units/input-error.ts';
import { type LifeScatter, logTerm } from './censored-term.ts';

/** Ordinary least squares of ln T on chosen logarithms. */
export interface LeastSquares {
  /** Intercept first. */
  readonly b: readonly number[];
  readonly se: readonly number[];
  /** 95% intervals by Student's t. */
  readonly low: readonly number[];
  readonly high: readonly number[];
  readonly residualSd: number;
  readonly degrees: number;
  readonly r2: number;
  readonly tQuantile: number;
}

function design(columns: readonly (readonly number[])[], count: number): Matrix {
  return new Matrix(Array.from({ length: count }, (_, i) => [1, ...columns.map((c) => Math.log(c[i]!))]));
}

function requireTrials(lives: readonly number[], columns: readonly (readonly number[])[]): void {
  const unknowns = columns.length + 1;
  if (lives.length <= unknowns) {
    throw new InputError([
      { field: 'trials', value: lives.length, allowed: `more than ${unknowns}, the number of unknowns` },
    ]);
  }
}

/**
 * ln T = b₀ + Σ bₖ·ln xₖ by least squares, with Student's intervals. `columns` are the inputs, all above 0.
 * Draper & Smith 1998. Throws InputError with fewer trials than unknowns need.
 */
export function leastSquaresLife(
  lives: readonly number[],
  columns: readonly (readonly number[])[],
): LeastSquares {
  requireTrials(lives, columns);
  const x = design(columns, lives.length);
  const y = Matrix.columnVector(lives.map(Math.log));
  const spread = inverse(x.transpose().mmul(x));
  const b = spread.mmul(x.transpose()).mmul(y).to1DArray();
  const fitted = x.mmul(Matrix.columnVector(b)).to1DArray();
  const ys = y.to1DArray();
  const mean = ys.reduce((s, v) => s + v, 0) / ys.length;
  const rest = ys.reduce((s, v, i) => s + (v - fitted[i]!) ** 2, 0);
  const whole = ys.reduce((s, v) => s + (v - mean) ** 2, 0);
  const degrees = lives.length - b.length;
  const residualSd = Math.sqrt(rest / degrees);
  const se = b.map((_, k) => residualSd * Math.sqrt(spread.get(k, k)));
  const tQuantile = jstat.studentt.inv(0.975, degrees);
  return {
    b,
    se,
    low: b.map((v, k) => v - tQuantile * se[k]!),
    high: b.map((v, k) => v + tQuantile * se[k]!),
    residualSd,
    degrees,
    r2: 1 - rest / whole,
    tQuantile,
  };
}

export interface CensoredFit {
  readonly b: readonly number[];
  readonly sigma: number;
  readonly seB: readonly number[];
  readonly seLnSigma: number;
  /** Of the density of ln T. */
  readonly negativeLogLikelihood: number;
}

const ROUNDS = 100;

/**
 * Maximum likelihood of ln T = X·b + σ·ε with trials stopped before they were worn (`worn` false) kept as such: Newton's
 * method on b and ln σ, errors from the observed information. Lawless 2003, ch. 6.
 * Throws InputError with too few trials or none that was worn.
 */
export function censoredLife(
  lives: readonly number[],
  columns: readonly (readonly number[])[],
  worn: readonly boolean[],
  scatter: LifeScatter,
): CensoredFit {
  requireTrials(lives, columns);
  if (!worn.some(Boolean)) {
    throw new InputError([{ field: 'worn trials', value: 0, allowed: 'at least one' }]);
  }
  const start = leastSquaresLife(lives, columns);
  const x = design(columns, lives.length);
  const y = lives.map(Math.log);
  const p = start.b.length;
  let at = [...start.b, Math.log(Math.max(0.05, start.residualSd))];
  const likelihood = (v: readonly number[]) => {
    const sigma = Math.exp(v[p]!);
    const gradient = new Array<number>(p + 1).fill(0);
    const hessian = Matrix.zeros(p + 1, p + 1);
    let sum = 0;
    y.forEach((yi, i) => {
      const row = x.getRow(i);
      const z = (yi - row.reduce((s, xk, k) => s + xk * v[k]!, 0)) / sigma;
      const t = logTerm(scatter, worn[i]!, z);
      sum += t.value - (worn[i] ? v[p]! : 0);
      gradient[p]! += -t.first * z - (worn[i] ? 1 : 0);
      hessian.set(p, p, hessian.get(p, p) + t.second * z * z + t.first * z);
      for (let k = 0; k < p; k++) {
        gradient[k]! += (-t.first * row[k]!) / sigma;
        const cross = (row[k]! / sigma) * (t.first + t.second * z);
        hessian.set(k, p, hessian.get(k, p) + cross);
        hessian.set(p, k, hessian.get(p, k) + cross);
        for (let l = 0; l < p; l++) {
          hessian.set(k, l, hessian.get(k, l) + (t.second * row[k]! * row[l]!) / (sigma * sigma));
        }
      }
    });
    return { sum, gradient, hessian };
  };
  let here = likelihood(at);
  for (let round = 0; round < ROUNDS; round++) {
    // Newton's step, shortened towards the gradient (Levenberg) until it climbs: few worn trials bend the likelihood.
    let moved = 0;
    for (let damping = 0; damping < 1e8; damping = damping === 0 ? 1e-3 : damping * 4) {
      const steep = here.hessian.clone();
      for (let k = 0; k <= p; k++) {
        const d = steep.get(k, k);
        steep.set(k, k, d - damping * Math.max(1, Math.abs(d)));
      }
      const step = inverse(steep, true).mmul(Matrix.columnVector(here.gradient)).to1DArray();
      const next = at.map((v, k) => v - step[k]!);
      const there = likelihood(next);
      const size = Math.max(...step.map(Math.abs));
      if (!(there.sum >= here.sum - 1e-13) || size > 20) continue;
      moved = size;
      at = next;
      here = there;
      break;
    }
    if (moved < 1e-11) break;
  }
  const covariance = inverse(here.hessian.mul(-1));
  return {
    b: at.slice(0, p),
    sigma: Math.exp(at[p]!),
    seB: at.slice(0, p).map((_, k) => Math.sqrt(covariance.get(k, k))),
    seLnSigma: Math.sqrt(covariance.get(p, p)),
    negativeLogLikelihood: -here.sum,
  };
}
