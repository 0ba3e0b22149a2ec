import type { Cutter } from '../../crib/cutter.ts';
import { outerDiameter } from '../../crib/cutter.ts';
import type { Finishing } from '../../physics/path/finishing.ts';
import type { Estimate } from '../../judging/estimate.ts';
import { ribBend } from '../../physics/structure/thin-rib.ts';
import type { OperationContext } from '../context.ts';
import type { MillingOperation } from './milling-operation.ts';
import type { MillingState } from './milling-state.ts';

/** Stepover of a floor that is finished, over the diameter: each pass laps the last. */
const FLOOR_STEP = 0.65;
/** Depth of a wall pass at most, in diameters: longer the bend decides. */
const WALL_DEPTH = 2.5;
/** Level of a rib over its thickness: what is below still holds it. Judgement: thin walls are stepped by four thicknesses. */
const RIB_LEVEL = 4;
/** Corners are picked out in levels of a diameter, and in bites of a share of it, by how hard the alloy cuts. */
const CORNER_DEPTH = 1;
const CORNER_BITE = { hard: 0.05, soft: 0.1 } as const;
/** Stock of a wall beyond which it is shared, over the least that makes a chip; rule G-80. */
const ONE_PASS = 3;
const EDGE_RADII = 4;
/** Clearance angle of a mill: wear on the flank moves the edge back by its tangent. */
const CLEARANCE_TAN = Math.tan((10 * Math.PI) / 180);
/** Flank wear a finishing edge is changed at, mm. */
const FINISH_WEAR = 0.15;
/** Share of the tolerance wear may use before somebody moves the offset. */
const OF_TOLERANCE = 0.25;
/** Modulus where the alloy's record has none, GPa. */
const USUAL_MODULUS = 200;

/** Stock that still makes a chip and reaches under what the cutter before hardened, mm. */
export const leastStock = ({ alloy, cutter }: Pick<OperationContext, 'alloy' | 'cutter'>): number =>
  Math.max(
    (EDGE_RADII * (cutter.extended.edge_radius_um?.[1] ?? 10)) / 1000,
    alloy.work_hardening.hardened_layer_depth_mm.fresh_edge,
  );

/** Depth and width a finishing cut begins with, mm; the depth before it is divided into even levels. */
export function finishingEngagement(
  op: MillingOperation,
  context: OperationContext,
  finishing: Finishing,
): { readonly ap: number; readonly ae: number } {
  const { feature } = op;
  const { alloy, cutter } = context;
  const d = outerDiameter(cutter);
  const edge = cutter.properties.APMX ?? d;
  const hard = alloy.iso513_group === 'S' || alloy.iso513_group === 'H';
  switch (finishing.face) {
    case 'floor':
      return { ap: feature.depthMm, ae: Math.min(FLOOR_STEP * d, feature.widthMm) };
    case 'corner':
      return {
        ap: CORNER_DEPTH * d,
        ae: Math.min(feature.widthMm, CORNER_BITE[hard ? 'hard' : 'soft'] * d),
      };
    case 'rib':
      return { ap: Math.min(edge, d, RIB_LEVEL * (finishing.ribMm ?? 3)), ae: feature.widthMm };
    default: {
      const passes = feature.widthMm > ONE_PASS * Math.max(leastStock(context), 0.1) ? 2 : 1;
      return { ap: Math.min(edge, WALL_DEPTH * d), ae: feature.widthMm / passes };
    }
  }
}

/** Path along the floor that is finished together with its wall, mm. */
export const floorPath = (
  { floorAreaMm2, face }: Finishing,
  { cutter }: { readonly cutter: Cutter },
): number => (face === 'floor-and-wall' ? floorAreaMm2 / (FLOOR_STEP * outerDiameter(cutter)) : 0);

/** Bend of a rib under the push on its wall, mm; null of everything else. */
export function ribBendOf({ op, context, wallForceN }: MillingState): Estimate | null {
  const { finishing, depthMm, lengthMm, widthMm } = op.feature;
  if (finishing?.face !== 'rib' || finishing.ribMm === null) return null;
  // In turn the level below is still thick on both sides; one side after the other the whole height stands alone.
  const heightMm = finishing.inTurn ? Math.min(op.cut.axialDepthMm, depthMm) : depthMm;
  const thicknessMm = finishing.ribMm + (finishing.inTurn ? widthMm / 2 : 0);
  const unit = ribBend(
    1,
    { heightMm, thicknessMm, lengthMm },
    context.alloy.youngs_modulus_gpa ?? USUAL_MODULUS,
  );
  return { value: unit * wallForceN.value, terms: wallForceN.terms };
}

/** Minutes after which a size is looked at whatever the wear: the machine warms and cools. */
const SHIFT_MIN = 480;

/** Features until wear has moved a finished wall by a quarter of its tolerance, a shift's at most; null without a life. */
export function featuresToOffset({ op, time, lifeMin, minutes }: MillingState): Estimate | null {
  if (op.feature.allowanceMm > 0 || lifeMin === null || op.feature.kind === 'face') return null;
  const allowedWear = (OF_TOLERANCE * op.feature.wallToleranceMm) / CLEARANCE_TAN;
  const cutting = minutes.contact > 0 ? minutes.contact : time.cutting;
  // Wear grows with time in the cut, up to what an edge is changed at over its life.
  const share = allowedWear / FINISH_WEAR;
  const byWear = (share * lifeMin.value) / Math.max(1e-6, cutting);
  const ofShift = SHIFT_MIN / Math.max(1e-6, time.cutting + time.linking);
  return byWear < ofShift
    ? { value: Math.max(0.01, byWear), terms: lifeMin.terms }
    : { value: ofShift, terms: [] };
}
