import { requirePositive } from '../units/input-error.ts';

/** Share of the criterion a fresh edge takes in its first minutes, before wear grows evenly. Three-stage wear, ISO 8688-2. */
const FIRST_WEAR = 0.25;
/** Least share of the criterion wear must have reached to say anything of life. */
const LEAST_SHARE = 0.4;

/** Life read from a wear that has not reached its criterion. */
export interface WearReading {
  readonly minutes: number;
  /** Standard deviation of its logarithm. */
  readonly sd: number;
}

/**
 * Minutes until flank wear reaches its criterion, from one measurement: quick first wear, then even growth. The further it has to
 * be drawn out, the less sure it is. Null where the wear is too small to say anything; throws unless minutes and criterion are above 0.
 */
export function lifeFromWear(wearMm: number, minutes: number, criterionMm: number): WearReading | null {
  requirePositive('minutes', minutes);
  requirePositive('wear criterion', criterionMm);
  const share = wearMm / criterionMm;
  if (share < LEAST_SHARE) return null;
  if (share >= 1) return { minutes, sd: 0 };
  const grown = (share - FIRST_WEAR) / (1 - FIRST_WEAR);
  // A flank is read to a tenth of the criterion; first wear differs by half of itself.
  const sd = Math.hypot(0.1, 0.5 * FIRST_WEAR * (1 - grown)) / (1 - FIRST_WEAR) / grown;
  return { minutes: minutes / grown, sd };
}
