import type { Estimate } from '../../judging/estimate.ts';
import { ribBend } from '../../physics/structure/thin-rib.ts';
import type { MillingState } from './milling-state.ts';

/** Clearance angle of a mill: wear on the flank moves the edge back by its tangent. */
const CLEARANCE_TAN = Math.tan((10 * Math.PI) / 180);
/** Flank wear a finishing edge is changed at, mm. */
const FINISH_WEAR = 0.15;
/** Share of the tolerance wear may use before somebody moves the offset. */
const OF_TOLERANCE = 0.25;
/** Modulus where the alloy's record has none, GPa. */
const USUAL_MODULUS = 200;

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
