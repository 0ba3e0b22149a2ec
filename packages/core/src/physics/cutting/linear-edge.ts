import type { ForceLaw } from './force-law.ts';

/** Cutting coefficients in N/mm², edge coefficients in N/mm. */
export interface LinearEdgeCoefficients {
  readonly Ktc: number;
  readonly Krc: number;
  readonly Kac: number;
  readonly Kte: number;
  readonly Kre: number;
  readonly Kae: number;
}

/** Linear-edge law: F = Kc·h + Ke per mm of edge, the edge part standing for ploughing. Budak, Altintas & Armarego 1996. */
export function linearEdge(k: LinearEdgeCoefficients): ForceLaw {
  return {
    id: 'linear-edge',
    name: 'Linear with edge force',
    source: 'Budak, Altintas & Armarego 1996',
    at(h, out) {
      out.tangential = k.Ktc * h + k.Kte;
      out.radial = k.Krc * h + k.Kre;
      out.axial = k.Kac * h + k.Kae;
    },
  };
}
