import { requirePositive } from '../../units/input-error.ts';

/**
 * Width of an infinite cantilever plate that gives as much at its loaded free edge as a beam would, over its height; Poisson's ratio
 * 0.3. Jaramillo 1950 gives 0.168·F·h²/D under the force.
 */
const ACTS_OVER_HEIGHT = 1 / (3 * 0.168 * (1 - 0.3 ** 2));

/**
 * Bend of a rib under a force across its free edge, mm: a cantilever of `heightMm` that acts over some two heights of its length.
 * Force in N, modulus in GPa. Throws an InputError where a size is not above zero.
 */
export function ribBend(
  forceN: number,
  rib: { readonly heightMm: number; readonly thicknessMm: number; readonly lengthMm: number },
  modulusGPa: number,
): number {
  requirePositive('height', rib.heightMm);
  requirePositive('thickness', rib.thicknessMm);
  const acts = Math.min(rib.lengthMm, ACTS_OVER_HEIGHT * rib.heightMm);
  const inertia = (acts * rib.thicknessMm ** 3) / 12;
  return (forceN * rib.heightMm ** 3) / (3 * modulusGPa * 1000 * inertia);
}
