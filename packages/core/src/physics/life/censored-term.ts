import { normalBelow, normalDensity } from '../../numerics/normal.ts';

/** How lives scatter about their middle: ln T normal, or of the smallest extreme value (Weibull). */
export type LifeScatter = 'lognormal' | 'weibull';

/** A term of a log likelihood with its slopes along the standard residual. */
export interface Slopes {
  readonly value: number;
  readonly first: number;
  readonly second: number;
}

/** Residual beyond which one minus the distribution function is lost in rounding. */
const FAR = 5;

/** ln of the share of a standard normal beyond z, and density over it (hazard). Abramowitz & Stegun 26.2.12 far out. */
function normalBeyond(z: number): { readonly log: number; readonly hazard: number } {
  if (z < FAR) {
    const beyond = 1 - normalBelow(z);
    return { log: Math.log(beyond), hazard: normalDensity(z) / beyond };
  }
  const r = 1 / (z * z);
  const series = 1 - r + 3 * r * r - 15 * r * r * r;
  return {
    log: -0.5 * z * z - 0.5 * Math.log(2 * Math.PI) - Math.log(z) + Math.log(series),
    hazard: z / series,
  };
}

/** ln of density (worn) or of survival (stopped before) at a standard residual, with its slopes. */
export function logTerm(scatter: LifeScatter, worn: boolean, z: number): Slopes {
  if (scatter === 'weibull') {
    const e = Math.exp(z);
    return worn ? { value: z - e, first: 1 - e, second: -e } : { value: -e, first: -e, second: -e };
  }
  if (worn) return { value: -0.5 * z * z - 0.5 * Math.log(2 * Math.PI), first: -z, second: -1 };
  const { log, hazard } = normalBeyond(z);
  return { value: log, first: -hazard, second: -hazard * (hazard - z) };
}
