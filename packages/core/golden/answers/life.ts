import { economicLife } from '../../src/physics/life/economic-life.ts';
import { censoredLife, leastSquaresLife } from '../../src/physics/life/fit-life.ts';
import { given, type GoldenCase } from '../compare.ts';
import { type Answers, has, list } from './answer.ts';

function taylor(c: GoldenCase): Answers {
  const f = leastSquaresLife(list(c, 'T_min'), [list(c, 'vc_m_min')]);
  const [intercept, slope] = f.b as [number, number];
  const ci = [f.low[1]!, f.high[1]!];
  return {
    slope,
    intercept,
    n_taylor: -1 / slope,
    C_m_min: Math.exp(-intercept / slope),
    slope_ci95: ci,
    // −1/x keeps the order of two negative slopes.
    n_ci95: [-1 / ci[0]!, -1 / ci[1]!].sort((a, b) => a - b),
    resid_std_lnT: f.residualSd,
    R2: f.r2,
  };
}

function extended(c: GoldenCase): Answers {
  const columns = ['vc_m_min', 'fz_mm', 'ae_mm'].map((k) => list(c, k));
  const lives = list(c, 'T_min');
  if (!has(c, 'failed')) {
    const f = leastSquaresLife(lives, columns);
    return {
      b: f.b,
      se: f.se,
      ci95_lo: f.low,
      ci95_hi: f.high,
      resid_std: f.residualSd,
      dof: f.degrees,
      R2: f.r2,
      t_quantile: f.tQuantile,
    };
  }
  const worn = list(c, 'failed').map((v) => v === 1);
  const scatter = c.id.includes('weibull') || String(c.inputs['model'] ?? '').includes('weibull') ? 'weibull' : 'lognormal';
  const kept = <T>(values: readonly T[]): T[] => values.filter((_, i) => worn[i]);
  const fit = censoredLife(lives, columns, worn, scatter);
  // What one gets by not knowing of censoring: plain least squares.
  return {
    b: fit.b,
    sigma: fit.sigma,
    se_b: fit.seB,
    se_ln_sigma: fit.seLnSigma,
    neg_log_lik: fit.negativeLogLikelihood,
    b_if_censoring_ignored_as_failures: leastSquaresLife(lives, columns).b,
    b_if_censored_dropped: leastSquaresLife(kept(lives), columns.map(kept)).b,
  };
}

export function life(c: GoldenCase): Answers | null {
  if (has(c, 'n_taylor')) {
    const e = economicLife(
      given(c, 'n_taylor'),
      given(c, 'C_m_min'),
      given(c, 't_change_min'),
      given(c, 'cost_per_edge'),
      given(c, 'machine_cost_per_min'),
    );
    return {
      T_maxprod_min: e.fastestMin,
      vc_maxprod: e.fastestSpeed,
      T_mincost_min: e.cheapestMin,
      vc_mincost: e.cheapestSpeed,
    };
  }
  if (!has(c, 'T_min')) return null;
  return has(c, 'fz_mm') ? extended(c) : taylor(c);
}
