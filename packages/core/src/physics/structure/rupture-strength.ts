import { requirePositive } from '../../units/input-error.ts';

/** Stress raised by the root of the flute; judgement rule G-128. */
export const NOTCH_FACTOR = 1.35;
/** Stressed volume of the bar rupture strength is quoted for, mm³: 3.25 mm round, 14.5 mm span (ISO 3327, type C). */
const TEST_BAR_VOLUME = (Math.PI / 4) * 3.25 ** 2 * 14.5;
/** Weibull modulus of sound submicron carbide in bending; rule G-128 gives 6 to 10. */
const WEIBULL_MODULUS = 9;
/** A small tool is not believed to be stronger than this: grinding marks take over from pores. */
const MOST = 1.25;

/**
 * Factor on rupture strength from the stressed volume: a large root holds more flaws than the test bar, a thin one fewer
 * (weakest link, Weibull 1951). The stressed length of a cantilever's root is taken as one diameter.
 */
export function sizeFactor(diameterMm: number): number {
  requirePositive('diameter', diameterMm);
  const volume = (Math.PI / 4) * diameterMm ** 3;
  return Math.min(MOST, (TEST_BAR_VOLUME / volume) ** (1 / WEIBULL_MODULUS));
}
