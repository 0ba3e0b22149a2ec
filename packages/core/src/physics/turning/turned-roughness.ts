import { requirePositive } from '../../units/input-error.ts';

/**
 * Height of a turned surface, mm, with what the thinnest chip leaves: Rt = f²/(8r) + h/2·(1 + r·h/f²), h the least chip. Below some
 * feed it does not fall any more. Brammertz 1961.
 */
export function turnedRoughness(feedMm: number, noseMm: number, leastChipMm: number): number {
  requirePositive('feed per revolution', feedMm);
  requirePositive('nose radius', noseMm);
  const marks = feedMm ** 2 / (8 * noseMm);
  // The squeezed cusp is never higher than the chip that squeezes it.
  return marks + (leastChipMm / 2) * Math.min(2, 1 + (noseMm * leastChipMm) / feedMm ** 2);
}

/** Mean deviation over height of a row of parabolas. */
export const RA_OF_RT = 4 / (9 * Math.sqrt(3));
