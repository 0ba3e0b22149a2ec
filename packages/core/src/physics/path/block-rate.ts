import { requirePositive } from '../../units/input-error.ts';

/** Longest line that stays within `tolerance` of an arc of radius `r`, mm: chord with sagitta t, √(8rt − 4t²). */
export function chordLength(radiusMm: number, toleranceMm: number): number {
  requirePositive('path radius', radiusMm);
  requirePositive('path tolerance', toleranceMm);
  const t = Math.min(toleranceMm, radiusMm);
  return Math.sqrt(8 * radiusMm * t - 4 * t * t);
}

/** Feed at which blocks of this length are read as fast as they are run, mm/min. */
export const feedOfBlocks = (blockMm: number, blockMs: number): number => (blockMm / blockMs) * 60000;

/** Feed the axes hold on an arc, mm/min: v² = a·r with a in m/s², r in mm. */
export const feedOnArc = (accelerationMS2: number, radiusMm: number): number =>
  60 * Math.sqrt(accelerationMS2 * 1000 * radiusMm);
