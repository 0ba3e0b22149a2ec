import { requirePositive } from '../../units/input-error.ts';

/** A round bar that stands out of its block. */
export interface BoringBar {
  readonly diameterMm: number;
  readonly overhangMm: number;
  readonly modulusGPa: number;
}

/** Force that moves the tip by a millimetre, N/mm: round cantilever, clamp rigid. */
export function barStiffness({ diameterMm, overhangMm, modulusGPa }: BoringBar): number {
  requirePositive('bar diameter', diameterMm);
  requirePositive('overhang', overhangMm);
  return (3 * modulusGPa * 1000 * Math.PI * diameterMm ** 4) / (64 * overhangMm ** 3);
}
