import { chamferDiameter, CHAMFER_OFF_TIP } from '../../operations/chamfering/chamfering-state.ts';
import type { Place } from './place.ts';
import type { Writer } from './writer.ts';

export interface ChamferPlan {
  readonly holeMm: number;
  readonly widthMm: number;
  /** Tip and largest diameter of the mill, mm, and the angle of its edge to the plane, degrees. */
  readonly tipMm: number;
  readonly mostMm: number;
  readonly leadDeg: number;
  readonly edgeFeedMmMin: number;
}

/** A chamfer round holes: the dull tip stands below the edge, in and out by half turns. */
export function writeChamfer(
  w: Writer,
  plan: ChamferPlan,
  places: readonly Place[],
  top: number,
  start: number,
  clear: number,
): void {
  const at = chamferDiameter(plan.tipMm, plan.widthMm, plan.mostMm);
  const mouth = plan.holeMm + 2 * plan.widthMm;
  const radius = Math.max(0.1, (mouth - at) / 2);
  const feed = (plan.edgeFeedMmMin * 2 * radius) / mouth;
  // In and out on half the radius the edge is faster still against its centre.
  const lead = (plan.edgeFeedMmMin * radius) / (radius + at);
  const depth = (at - plan.tipMm) / 2 / Math.tan((plan.leadDeg * Math.PI) / 180);
  for (const { x, y } of places) {
    w.rapid({ x, y });
    w.rapid({ z: top + start });
    w.line({ z: top - Math.max(depth, CHAMFER_OFF_TIP) }, plan.edgeFeedMmMin);
    w.arc(false, { x: x + radius, y }, [x + radius / 2, y], lead);
    w.arc(false, { x: x + radius, y }, [x, y], feed);
    w.arc(false, { x, y }, [x + radius / 2, y], lead);
    w.rapid({ z: top + clear });
  }
}
