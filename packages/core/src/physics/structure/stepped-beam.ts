import { InputError } from '../../units/input-error.ts';

/** A piece of the tool of constant diameter; root first. */
export interface BeamSegment {
  readonly lengthMm: number;
  readonly diameterMm: number;
  readonly modulusGPa: number;
}

export interface BeamResult {
  /** Deflection of the tip, mm. */
  readonly tipMm: number;
  /** Bending stress at the root-side end of each segment, MPa, without notch factor. */
  readonly stressAtStartMPa: readonly number[];
}

/**
 * Stepped cantilever under a force spread evenly over the last `loadLengthMm`, or on the tip when that is 0.
 * Euler–Bernoulli: unit-load integral of M·m/(EI), each piece exact because M is at most quadratic and m linear.
 * Throws when the loaded length is longer than the beam.
 */
export function bendSteppedBeam(
  segments: readonly BeamSegment[],
  forceN: number,
  loadLengthMm: number,
): BeamResult {
  const total = segments.reduce((sum, s) => sum + s.lengthMm, 0);
  if (!(loadLengthMm >= 0 && loadLengthMm <= total + 1e-9)) {
    throw new InputError([{ field: 'loaded length', value: loadLengthMm, allowed: `0 to ${total} mm` }]);
  }
  const loadStart = total - loadLengthMm;
  const moment = (x: number): number => {
    if (x <= loadStart || loadLengthMm === 0) return forceN * (total - loadLengthMm / 2 - x);
    return (forceN * (total - x) ** 2) / (2 * loadLengthMm);
  };
  let tip = 0;
  let x = 0;
  const stress: number[] = [];
  for (const s of segments) {
    stress.push((32 * moment(x)) / (Math.PI * s.diameterMm ** 3));
    const stiffness = (s.modulusGPa * 1000 * Math.PI * s.diameterMm ** 4) / 64;
    const end = x + s.lengthMm;
    const cuts = loadStart > x && loadStart < end ? [x, loadStart, end] : [x, end];
    for (let i = 1; i < cuts.length; i++) {
      const a = cuts[i - 1]!;
      const b = cuts[i]!;
      // Simpson's rule is exact for the cubic M·m.
      const m = (a + b) / 2;
      const value = (y: number): number => moment(y) * (total - y);
      tip += (((b - a) / 6) * (value(a) + 4 * value(m) + value(b))) / stiffness;
    }
    x = end;
  }
  return { tipMm: tip, stressAtStartMPa: stress };
}
