import { requirePositive, requireWithin } from '../../units/input-error.ts';

/** A tube held round at one end and free at the other, mm and MPa. */
export interface ThinTube {
  readonly outerMm: number;
  readonly boreMm: number;
  readonly lengthMm: number;
  readonly modulusMPa: number;
}

const POISSON = 0.3;
/** Waves round the tube that are added up; the first gives nearly all. */
const WAVES = 12;

/**
 * How far the wall of a tube gives way at its free end under a force across it there, mm for N. Inextensional bending of a thin
 * shell (Rayleigh 1881; Love §235), waves from two on: k = π·D·(n²−1)²·(L/(3R³) + 2(1−ν)/(n²RL)). It springs oval beside the bending
 * of the whole part.
 */
export function wallDeflection({ outerMm, boreMm, lengthMm, modulusMPa }: ThinTube, forceN: number): number {
  requirePositive('outer diameter', outerMm);
  requireWithin('bore', boreMm, 0, 0.999 * outerMm);
  requirePositive('length', lengthMm);
  const wall = (outerMm - boreMm) / 2;
  const radius = (outerMm + boreMm) / 4;
  const plate = (modulusMPa * wall ** 3) / (12 * (1 - POISSON ** 2));
  let compliance = 0;
  for (let n = 2; n <= WAVES; n++)
    compliance +=
      1 /
      (Math.PI *
        plate *
        (n * n - 1) ** 2 *
        (lengthMm / (3 * radius ** 3) + (2 * (1 - POISSON)) / (n * n * radius * lengthMm)));
  return forceN * compliance;
}
