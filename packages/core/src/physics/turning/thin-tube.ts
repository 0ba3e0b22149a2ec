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

/** Stiffness of the wall against `n` waves round it, by their height at the free end, N/mm. */
function waveStiffness({ outerMm, boreMm, lengthMm, modulusMPa }: ThinTube, n: number): number {
  const wall = (outerMm - boreMm) / 2;
  const radius = (outerMm + boreMm) / 4;
  const plate = (modulusMPa * wall ** 3) / (12 * (1 - POISSON ** 2));
  const twist = (2 * (1 - POISSON)) / (n * n * radius * lengthMm);
  return Math.PI * plate * (n * n - 1) ** 2 * (lengthMm / (3 * radius ** 3) + twist);
}

/**
 * How far the wall of a tube gives way at its free end under a force across it there, mm for N. Inextensional bending of a thin
 * shell (Rayleigh 1881; Love §235), waves from two on: k = π·D·(n²−1)²·(L/(3R³) + 2(1−ν)/(n²RL)). It springs oval beside the bending
 * of the whole part.
 */
export function wallDeflection(tube: ThinTube, forceN: number): number {
  requirePositive('outer diameter', tube.outerMm);
  requireWithin('bore', tube.boreMm, 0, 0.999 * tube.outerMm);
  requirePositive('length', tube.lengthMm);
  let compliance = 0;
  for (let n = 2; n <= WAVES; n++) compliance += 1 / waveStiffness(tube, n);
  return forceN * compliance;
}

/** Lowest frequency of the wall, as an oval, Hz; density in kg/m³. Moving mass of the wave: ρ·t·π·R·L/3·(1 + 1/n²). */
export function wallHz(tube: ThinTube, densityKgM3: number): number {
  const { outerMm, boreMm, lengthMm } = tube;
  const section = (Math.PI * (outerMm ** 2 - boreMm ** 2)) / 4;
  // Round the wall half of it moves in, and along it a third.
  const massKg = (densityKgM3 * 1e-9 * section * lengthMm * (1 + 1 / 4)) / 6;
  return Math.sqrt((1000 * waveStiffness(tube, 2)) / massKg) / (2 * Math.PI);
}
