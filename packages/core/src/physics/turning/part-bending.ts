import { requirePositive, requireWithin } from '../../units/input-error.ts';

/** A round part between its supports: fixed in the chuck, and held by pins (tailstock, steady) at these distances from it, mm. */
export interface HeldBar {
  readonly diameterMm: number;
  /** Diameter of a bore through it, mm. */
  readonly boreMm?: number;
  readonly modulusMPa: number;
  readonly pinsMm: readonly number[];
}

/** Second moment of a ring, mm⁴. */
const secondMoment = (outer: number, inner = 0): number => (Math.PI * (outer ** 4 - inner ** 4)) / 64;

/** Deflection at `x` of a bar fixed at its root by a unit force at `y`, times EI, mm³. */
function cantilever(x: number, y: number): number {
  const [a, b] = x < y ? [x, y] : [y, x];
  return (a * a * (3 * b - a)) / 6;
}

/**
 * How far the part gives way under a force across it at a distance from the chuck (mm), N. Euler–Bernoulli with the pins' reactions
 * from their not moving. The diameter errs by twice that.
 */
export function deflectionUnder(bar: HeldBar, forceN: number, atMm: number): number {
  requirePositive('diameter', bar.diameterMm);
  requireWithin('bore', bar.boreMm ?? 0, 0, bar.diameterMm * 0.999);
  const stiffness = bar.modulusMPa * secondMoment(bar.diameterMm, bar.boreMm);
  const free = cantilever(atMm, atMm);
  const [p, q] = bar.pinsMm;
  if (p === undefined) return (forceN * free) / stiffness;
  const gp = cantilever(atMm, p);
  if (q === undefined || Math.abs(q - p) < 1e-9)
    return (forceN * (free - gp ** 2 / cantilever(p, p))) / stiffness;
  const [pp, qq, pq, gq] = [cantilever(p, p), cantilever(q, q), cantilever(p, q), cantilever(atMm, q)];
  const determinant = pp * qq - pq * pq;
  const held = (gp * (gp * qq - gq * pq) + gq * (gq * pp - gp * pq)) / determinant;
  return (forceN * Math.max(0, free - held)) / stiffness;
}

/** Where along a length the part gives way most under the same force, and how far, mm. */
export function mostDeflection(
  bar: HeldBar,
  forceN: number,
  fromMm: number,
  toMm: number,
): { readonly atMm: number; readonly deflectionMm: number } {
  let best = { atMm: fromMm, deflectionMm: 0 };
  for (let i = 0; i <= LOOKS; i++) {
    const atMm = fromMm + ((toMm - fromMm) * i) / LOOKS;
    const deflectionMm = deflectionUnder(bar, forceN, atMm);
    if (deflectionMm > best.deflectionMm) best = { atMm, deflectionMm };
  }
  return best;
}
const LOOKS = 24;

/** Lowest bending frequency of the part as a bar of its own mass, Hz. Euler–Bernoulli: fixed and free, or fixed and pinned. */
export function bendingHz(bar: HeldBar, lengthMm: number, densityKgM3: number): number {
  const pinned = bar.pinsMm.some((p) => p > 0.6 * lengthMm);
  const root = pinned ? 3.9266 : 1.8751;
  const [area, moment] = [
    (Math.PI * (bar.diameterMm ** 2 - (bar.boreMm ?? 0) ** 2)) / 4,
    secondMoment(bar.diameterMm, bar.boreMm),
  ];
  // mm, MPa and kg/m³ into SI.
  const stiffness = bar.modulusMPa * moment * 1e-6;
  const mass = densityKgM3 * area * 1e-6;
  return ((root / (lengthMm / 1000)) ** 2 * Math.sqrt(stiffness / mass)) / (2 * Math.PI);
}
