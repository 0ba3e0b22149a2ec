import jstat from 'jstat';

/** Standard normal deviate below which a share `p` lies. Throws RangeError outside (0, 1). */
export function normalDeviate(p: number): number {
  if (!(p > 0 && p < 1)) throw new RangeError(`invalid probability; not in (0, 1): ${p}`);
  return jstat.normal.inv(p, 0, 1);
}

/** Standard normal distribution function. */
export const normalBelow = (z: number): number => jstat.normal.cdf(z, 0, 1);

/** Error function. */
export const erf = (x: number): number => jstat.erf(x);

/** Standard normal density. */
export const normalDensity = (z: number): number => jstat.normal.pdf(z, 0, 1);
