import type { OperationContext } from '../context.ts';
import type { MillingOperation } from './milling-operation.ts';
import { type ForceLaw, worn } from '../../physics/cutting/force-law.ts';
import { kienzle, rakeFactor } from '../../physics/cutting/kienzle.ts';
import { linearEdge } from '../../physics/cutting/linear-edge.ts';
import { orthogonalRakeDeg } from '../../physics/cutting/orthogonal-rake.ts';
import { obliqueCoefficients, orthogonalDataFor, orthogonalLaw } from '../../physics/cutting/oblique.ts';

const RAD = Math.PI / 180;
/** Share of the tangential force along the axis per tan(helix); estimate of the crib's rules. */
const AXIAL_SHARE = 0.4;
/** Radial over tangential force of a worn flank; crib rules give 2 to 4. */
const WORN_RADIAL = 3;

/** Helix of the flutes, rad; the mean where they differ. */
export function helixOf({ cutter }: OperationContext): number {
  const each = cutter.extended.helix_variation_deg;
  const mean = each?.length ? each.reduce((sum, h) => sum + h, 0) / each.length : cutter.properties.FHA;
  return (mean ?? 0) * RAD;
}

/** The force law of an operation on its worn edge, and the same on a fresh one. Throws for orthogonal data nobody has. */
export function forceLawOf(
  op: MillingOperation,
  context: OperationContext,
  kc11: number,
  meanChip: number,
): { readonly law: ForceLaw; readonly fresh: ForceLaw } {
  const fresh = freshLaw(op, context, kc11, meanChip);
  const wear = context.alloy.kienzle.wear_force.add_n_per_mm_edge_per_mm_vb * op.flankWearMm;
  return { law: worn(fresh, { tangential: wear, radial: WORN_RADIAL * wear }), fresh };
}

/** Chosen model with rake and helix of the cutter. */
function freshLaw(op: MillingOperation, context: OperationContext, kc11: number, meanChip: number): ForceLaw {
  const { alloy, cutter } = context;
  const helixDeg = helixOf(context) / RAD;
  const rakeDeg = orthogonalRakeDeg(cutter, alloy.kienzle.reference_rake_deg);
  const k = alloy.kienzle;
  const axial = Math.tan(helixDeg * RAD) * AXIAL_SHARE;
  const kr = k.radial_to_tangential.typical;
  const rake = rakeFactor(rakeDeg, k.reference_rake_deg);
  switch (op.forceLaw) {
    case 'kienzle':
      return kienzle({ kc11: kc11 * rake, mc: k.mc.typical, radialRatio: kr, axialRatio: axial });
    case 'linear-edge': {
      const e = k.linear_edge_equivalent;
      // The fitted pair belongs to the typical kc1.1; a measured or hardness-corrected one scales it.
      const ratio = (kc11 / k.kc11_n_mm2.typical) * rake;
      const Ktc = e.ktc_n_mm2 * ratio;
      const Kte = e.kte_n_mm * ratio;
      return linearEdge({ Ktc, Kte, Krc: kr * Ktc, Kre: e.kre_over_kte * Kte, Kac: axial * Ktc, Kae: 0 });
    }
    case 'orthogonal': {
      const data = orthogonalDataFor(alloy.id);
      return orthogonalLaw(obliqueCoefficients(data, meanChip, rakeDeg, helixDeg));
    }
  }
}
