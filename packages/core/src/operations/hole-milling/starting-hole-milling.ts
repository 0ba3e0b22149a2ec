import { outerDiameter } from '../../crib/cutter.ts';
import { chipFactor, diameterInCut, edgeProfile } from '../../physics/cutting/edge-profile.ts';
import { pastFloorNeeded } from '../../physics/holes/helical-bore.ts';
import { entrySteepness } from '../../physics/path/entry-plan.ts';
import { isHighSpeedSteel, type OperationContext } from '../context.ts';
import type { HoleMillingOperation } from './hole-milling-operation.ts';
import { chipWindow } from '../milling/chip-window.ts';
import { low, startingRpm, tidy } from '../starting.ts';

/** Share of the feed kept while the whole width is in the cut. Rule G-44. */
const INTO_SOLID = 0.65;
/** Even then the chip stays this much above the one at which the edge rubs. */
const ABOVE_RUBBING = 1.1;

/** Cutting speed to begin with, m/min: slower where little of the hole is there before. */
function startingSpeed(op: HoleMillingOperation, context: OperationContext): number {
  const own = op.measured.lifeSpeed30MMin;
  if (own !== null) return own;
  const windows = context.alloy.vc_windows_m_min;
  if (isHighSpeedSteel(context)) return low(windows.hss_milling, 10);
  const light = op.hole.startMm > 0.5 * op.hole.diameterMm;
  const { moderate_ae_0_2_0_4: wide, heavy_ae_over_0_5: heavy } = windows.carbide_milling;
  return low(light ? wide : heavy, 20);
}

/** First numbers of a hole milled on a helix: as steep as end face and alloy allow, the alloy's chip. */
export function startingHoleMilling(
  op: HoleMillingOperation,
  context: OperationContext,
): HoleMillingOperation['cut'] {
  const { cutter, alloy } = context;
  const { hole } = op;
  const tool = outerDiameter(cutter) || hole.diameterMm;
  const slope = 0.9 * Math.min(cutter.properties.RMPX ?? 90, entrySteepness(alloy).helixDeg);
  const path = Math.PI * Math.max(0.02 * tool, Math.min(hole.diameterMm, 2 * tool) - tool);
  const pitch = Math.min(cutter.properties.APMX ?? 1, 0.3 * tool, path * Math.tan((slope * Math.PI) / 180));
  const solid = hole.startMm < tool;
  const ap = tidy(Math.max(0.02, pitch));
  const window = chipWindow(context);
  // A shallow turn runs on the corner's radius, which thins the chip.
  const factor = chipFactor(edgeProfile(cutter, ap, diameterInCut(cutter, ap), 'climb'));
  return {
    ...op.cut,
    speedRpm: startingRpm(context, startingSpeed(op, context), diameterInCut(cutter, ap)),
    feedPerToothMm: tidy(
      Math.max((solid ? INTO_SOLID : 1) * window.target, ABOVE_RUBBING * window.thinnest) /
        Math.max(factor, 1 / 3),
    ),
    pitchMm: ap,
    pastFloorMm: hole.through ? tidy(pastFloorNeeded(cutter.properties.RE ?? 0, op.flankWearMm) + 0.1) : 0,
  };
}
