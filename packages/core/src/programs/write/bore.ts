import { helicalBore } from '../../physics/holes/helical-bore.ts';
import type { Place } from './place.ts';
import type { Writer } from './writer.ts';

export interface BorePlan {
  readonly holeMm: number;
  readonly startMm: number;
  readonly depthMm: number;
  readonly through: boolean;
  readonly toolMm: number;
  readonly deadCentreMm: number;
  readonly pitchMm: number;
  readonly stepovers: number;
  readonly springPasses: number;
  readonly pastFloorMm: number;
  /** Where the edge cuts the wall, mm/min. */
  readonly edgeFeedMmMin: number;
}

/** A helix down to a depth about a centre, then a level turn; climb inside runs anticlockwise. */
export function helixDown(
  w: Writer,
  centre: Place,
  radius: number,
  from: number,
  to: number,
  pitch: number,
  feed: number,
): void {
  const start = { x: centre.x + radius, y: centre.y };
  const turns = Math.max(1, Math.ceil((from - to) / pitch - 1e-9));
  for (let k = 1; k <= turns; k++)
    w.arc(false, { ...start, z: k === turns ? to : from - k * pitch }, [centre.x, centre.y], feed);
  w.arc(false, start, [centre.x, centre.y], feed);
}

/** A bore on one helix or several, with its spring passes, past the floor where it goes through. */
export function writeBore(
  w: Writer,
  plan: BorePlan,
  places: readonly Place[],
  top: number,
  start: number,
  clear: number,
): void {
  const bottom = top - plan.depthMm - (plan.through ? plan.pastFloorMm : 0);
  const { helices } = helicalBore({ ...plan, depthMm: top - bottom });
  for (const centre of places) {
    for (const [k, helix] of helices.entries()) {
      const radius = (helix.toMm - plan.toolMm) / 2;
      const feed = plan.edgeFeedMmMin * helix.centreShare;
      w.rapid({ x: centre.x, y: centre.y });
      if (k === 0) w.rapid({ z: top + start });
      w.rapid({ z: top + start });
      w.rapid({ x: centre.x + radius });
      w.line({ z: top }, feed);
      helixDown(w, centre, radius, top, bottom, plan.pitchMm, feed);
      if (k === helices.length - 1)
        for (let spring = 0; spring < plan.springPasses; spring++)
          w.arc(false, { x: centre.x + radius, y: centre.y }, [centre.x, centre.y], feed);
      w.line({ x: centre.x, y: centre.y }, feed);
      w.rapid({ z: top + (k === helices.length - 1 ? clear : start) });
    }
  }
}
