/** A piece of constant section of a tool or holder, root first. SI units apart from the lengths. */
export interface BeamPiece {
  readonly lengthMm: number;
  readonly diameterMm: number;
  /** Bore, mm; absent is solid. */
  readonly boreMm?: number;
  readonly modulusGPa: number;
  readonly densityKgM3: number;
  readonly poisson?: number;
  readonly shearFactor?: number;
  /** Taken as slender: neither shear nor the section's own turning counts (Euler & Bernoulli). */
  readonly slender?: boolean;
}

/** Section of a piece in SI units. */
export interface Section {
  readonly length: number;
  /** Bending stiffness EI, N·m². */
  readonly bending: number;
  /** Shear stiffness κGA, N. */
  readonly shear: number;
  /** Mass per length, kg/m. */
  readonly mass: number;
  /** Rotary inertia per length, kg·m. */
  readonly rotary: number;
}

/** Poisson's ratio where a piece states none: carbide; steel differs by a tenth of a per cent in the result. */
const POISSON = 0.22;
/** Shear factor of a round section (Cowper 1966, about 0.9). */
const SHEAR = 0.9;

/** Shear stiffness that never gives, N. */
const SHEAR_RIGID = 1e18;

export function sectionOf(p: BeamPiece): Section {
  const d = p.diameterMm / 1000;
  const bore = (p.boreMm ?? 0) / 1000;
  const area = (Math.PI * (d * d - bore * bore)) / 4;
  const second = (Math.PI * (d ** 4 - bore ** 4)) / 64;
  const e = p.modulusGPa * 1e9;
  const g = e / (2 * (1 + (p.poisson ?? POISSON)));
  return {
    length: p.lengthMm / 1000,
    bending: e * second,
    shear: p.slender ? SHEAR_RIGID : (p.shearFactor ?? SHEAR) * g * area,
    mass: p.densityKgM3 * area,
    rotary: p.slender ? 0 : p.densityKgM3 * second,
  };
}
