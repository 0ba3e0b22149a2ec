import { requirePositive } from '../../units/input-error.ts';
import type { ForceLaw } from './force-law.ts';

export interface KienzleCoefficients {
  /** Specific cutting force at 1 mm chip, N/mm². */
  readonly kc11: number;
  readonly mc: number;
  readonly radialRatio: number;
  readonly axialRatio: number;
}

/**
 * Kienzle & Victor 1957: Ft = kc1.1·h^(1−mc) per mm of edge; radial and axial as fixed shares.
 * mc near 0.25 already contains the edge (ploughing) force, so no edge term is added.
 */
export function kienzle({ kc11, mc, radialRatio, axialRatio }: KienzleCoefficients): ForceLaw {
  requirePositive('kc1.1', kc11);
  const exponent = 1 - mc;
  return {
    id: 'kienzle',
    name: 'Kienzle',
    source: 'Kienzle & Victor 1957',
    at(h, out) {
      const tangential = kc11 * Math.exp(exponent * Math.log(h));
      out.tangential = tangential;
      out.radial = radialRatio * tangential;
      out.axial = axialRatio * tangential;
    },
  };
}

/** Rake correction of kc: 1.2% per degree the rake is more positive than the reference. */
export const rakeFactor = (rakeDeg: number, referenceDeg: number): number =>
  Math.max(0.5, 1 - 0.012 * (rakeDeg - referenceDeg));
