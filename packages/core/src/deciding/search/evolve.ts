import { seededNormal, seededUniform } from '../../numerics/random.ts';
import { Matrix } from 'ml-matrix';
import { lowerRoot } from '../../numerics/lower-root.ts';
import { type Field, scoreOf, type Trial } from './field.ts';

/** Least variance along any way, of 1 to begin with. */
const FLAT = 1e-10;

/**
 * Covariance-adapting evolution (Hansen & Ostermeier 2001), rank-μ update only, deterministic by its seed. Ridges between
 * limits are oblique to every parameter; the covariance turns along them where a coordinate search would stop.
 */
export function evolve(
  field: Field,
  start: readonly number[],
  sigma0: number,
  evaluations: number,
  seed: number,
): Trial | null {
  let best: Trial | null = null;
  const n = start.length;
  const normal = seededNormal(seededUniform(seed));
  const lambda = 6 + 2 * n;
  const mu = Math.floor(lambda / 2);
  const raw = Array.from({ length: mu }, (_, i) => Math.log(mu + 0.5) - Math.log(i + 1));
  const total = raw.reduce((a, b) => a + b, 0);
  const weights = raw.map((w) => w / total);
  const effective = 1 / weights.reduce((sum, w) => sum + w * w, 0);
  const learn = Math.min(0.6, (2 * effective) / ((n + 2) ** 2 + effective));
  let mean = [...start];
  let sigma = sigma0;
  let covariance = Matrix.eye(n, n).to2DArray();
  let success = 0;
  for (let used = 0; used + lambda <= evaluations && sigma > 1e-4; used += lambda) {
    const root = rootOf(covariance);
    const before = best ? scoreOf(best) : Infinity;
    const places = Array.from({ length: lambda }, () => {
      const g = Array.from({ length: n }, normal);
      const step = root.map((row) => row.reduce((sum, v, k) => sum + v * g[k]!, 0));
      return mean.map((m, i) => m + sigma * step[i]!);
    });
    const chosen = field.bestOf(places, mu);
    if (!best || scoreOf(chosen[0]!) < scoreOf(best)) best = chosen[0]!;
    const old = mean;
    mean = mean.map((_, i) => chosen.reduce((sum, t, k) => sum + weights[k]! * t.x[i]!, 0));
    covariance = covariance.map((row, i) =>
      row.map(
        (v, j) =>
          (1 - learn) * v +
          learn *
            chosen.reduce(
              (sum, t, k) =>
                sum + (weights[k]! * (t.x[i]! - old[i]!) * (t.x[j]! - old[j]!)) / (sigma * sigma),
              0,
            ),
      ),
    );
    // Step size by success: widen while it finds better cuts, narrow when it does not.
    success = 0.8 * success + 0.2 * (scoreOf(best) < before ? 1 : 0);
    sigma *= Math.exp(0.35 * (success - 0.28));
  }
  return best;
}

/** Lower root of a covariance. One that has gone flat along some way is given a little width there. */
function rootOf(covariance: readonly (readonly number[])[]): number[][] {
  const wide = covariance.map((row, i) => row.map((v, j) => (i === j ? v + FLAT : v)));
  return lowerRoot(new Matrix(wide)).to2DArray();
}
