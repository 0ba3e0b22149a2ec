import { requirePositive } from '../../units/input-error.ts';

/** A thin blade that stands out of its seat, upright to the cut. Lengths in mm. */
export interface Blade {
  /** Thickness along the axis of a groove: somewhat under the cutting width. */
  readonly thicknessMm: number;
  readonly heightMm: number;
  readonly overhangMm: number;
  readonly modulusMPa: number;
}

/** Second moment about its weak axis, mm⁴. */
const sideways = ({ thicknessMm, heightMm }: Blade): number => (heightMm * thicknessMm ** 3) / 12;

/** Force at its tip that bends it aside by a millimetre, N/mm: cantilever, seat rigid. */
export function bladeSideStiffness(blade: Blade): number {
  requirePositive('overhang', blade.overhangMm);
  return (3 * blade.modulusMPa * sideways(blade)) / blade.overhangMm ** 3;
}

/** Force along it at which it gives way sideways, N: fixed at one end and free at the other. Euler 1744. */
export function bladeBucklingN(blade: Blade): number {
  requirePositive('overhang', blade.overhangMm);
  return (Math.PI ** 2 * blade.modulusMPa * sideways(blade)) / (4 * blade.overhangMm ** 2);
}
