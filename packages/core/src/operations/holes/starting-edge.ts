import { outerDiameter } from '../../crib/cutter.ts';
import { isHighSpeedSteel, type OperationContext } from '../context.ts';
import type { HoleOperation } from '../hole-operation.ts';
import { into, low, tidy } from '../starting.ts';

/** Cutting speed a small mill begins with on a rim or in a thread, m/min. */
export function startingEdgeSpeed(op: HoleOperation, context: OperationContext): number {
  const windows = context.alloy.vc_windows_m_min;
  const steel = isHighSpeedSteel(context);
  return (
    op.measured.lifeSpeed30MMin ??
    low(steel ? windows.hss_milling : windows.carbide_milling.moderate_ae_0_2_0_4, steel ? 10 : 20)
  );
}

/** Its feed per tooth, mm. Chips of small mills grow with their diameter like the alloy's window does. */
export function startingEdgeFeed({ hole }: HoleOperation, { cutter, alloy }: OperationContext): number {
  const tool = outerDiameter(cutter) || hole.diameterMm;
  return cutter.extended.fz_window_mm
    ? into(cutter.extended.fz_window_mm, 0.35)
    : tidy(alloy.hm_window.c_mm * (tool / 12) ** alloy.hm_window.p);
}
