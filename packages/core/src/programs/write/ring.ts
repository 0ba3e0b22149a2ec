import { helixDown } from './bore.ts';
import type { Place } from './place.ts';
import type { Writer } from './writer.ts';

/** A ring in a face, milled on one circle or, wider than its mill, on two. */
export interface FaceRingPlan {
  readonly meanMm: number;
  readonly widthMm: number;
  readonly depthMm: number;
  readonly toolMm: number;
  readonly axialMm: number;
  readonly rampDeg: number;
  readonly feedMmMin: number;
  readonly rampFeedShare: number;
}

/** Radii of the centre's circles: the inner wall first, then the outer one. */
export const ringCircles = ({ meanMm, widthMm, toolMm }: FaceRingPlan): readonly number[] => {
  const off = Math.max(0, (widthMm - toolMm) / 2);
  return off < 0.005 ? [meanMm / 2] : [meanMm / 2 - off, meanMm / 2 + off];
};

/** Down on a helix along each circle, and a level turn at its floor: no circle is deeper at once than a level. */
export function writeFaceRing(
  w: Writer,
  plan: FaceRingPlan,
  places: readonly Place[],
  top: number,
  start: number,
  clear: number,
): void {
  const circles = ringCircles(plan);
  for (const centre of places) {
    for (const [k, radius] of circles.entries()) {
      // The first circle is a slot that is ramped into, the second a light cut beside it.
      const feed = plan.feedMmMin * (k === 0 ? plan.rampFeedShare : 1);
      // A turn goes down no further than a level, and no steeper than the mill lets it.
      const pitch = Math.min(plan.axialMm, 2 * Math.PI * radius * Math.tan((plan.rampDeg * Math.PI) / 180));
      w.rapid({ x: centre.x + radius, y: centre.y });
      w.rapid({ z: top + start });
      w.line({ z: top }, feed);
      helixDown(w, centre, radius, top, top - plan.depthMm, pitch, feed);
      w.rapid({ z: top + (k === circles.length - 1 ? clear : start) });
    }
  }
}

/** A ring in the wall of a bore by a disc that goes down in its middle. */
export interface BoreRingPlan {
  /** Diameter at the bottom of the groove, and of the bore. */
  readonly ringMm: number;
  readonly boreMm: number;
  /** Lower wall of the groove under the face, its width, and the height of the disc's edge. */
  readonly floorMm: number;
  readonly widthMm: number;
  readonly edgeMm: number;
  readonly toolMm: number;
  readonly radialMm: number;
  /** Of the edge, mm/min. */
  readonly edgeFeedMmMin: number;
}

/** One turn about a centre at a radius, in and out by half turns from the middle, where the tool is free. */
function turnInside(w: Writer, { x, y }: Place, radius: number, edgeFeed: number, toolMm: number): void {
  const centreShare = radius / (radius + toolMm / 2);
  const lead = (edgeFeed * radius) / (radius + toolMm);
  w.arc(false, { x: x + radius, y }, [x + radius / 2, y], lead);
  w.arc(false, { x: x + radius, y }, [x, y], edgeFeed * centreShare);
  w.arc(false, { x, y }, [x + radius / 2, y], lead);
}

/** Down in the middle of the bore, out into the wall pass by pass, and back to the middle before it goes up. */
export function writeBoreRing(
  w: Writer,
  plan: BoreRingPlan,
  places: readonly Place[],
  top: number,
  start: number,
  clear: number,
): void {
  const deep = (plan.ringMm - plan.boreMm) / 2;
  const passes = Math.max(1, Math.ceil(deep / plan.radialMm - 1e-9));
  const spare = Math.max(0, plan.widthMm - plan.edgeMm);
  const heights = spare < 0.005 ? [0] : [0, spare];
  for (const centre of places) {
    w.rapid({ x: centre.x, y: centre.y });
    w.rapid({ z: top + start });
    for (const up of heights) {
      w.line({ z: top - plan.floorMm + up }, plan.edgeFeedMmMin);
      for (let k = 1; k <= passes; k++) {
        const radius = (plan.boreMm - plan.toolMm) / 2 + (deep * k) / passes;
        turnInside(w, centre, radius, plan.edgeFeedMmMin, plan.toolMm);
      }
    }
    w.rapid({ z: top + clear });
  }
}

/** An edge of a round opening, at the top or at the back. */
export interface RoundEdgePlan {
  readonly openingMm: number;
  /** Tip against the face the tool comes from, below it less than 0; and the axis off the wall. */
  readonly tipZMm: number;
  readonly axisOffWallMm: number;
  readonly sizeMm: number;
  readonly passes: number;
  readonly edgeFeedMmMin: number;
}

/** Down in the middle of the opening to where the edge is, round it, and back to the middle before it goes up. */
export function writeRoundEdge(
  w: Writer,
  plan: RoundEdgePlan,
  places: readonly Place[],
  top: number,
  start: number,
  clear: number,
): void {
  const last = plan.openingMm / 2 - plan.axisOffWallMm;
  for (const centre of places) {
    w.rapid({ x: centre.x, y: centre.y });
    w.rapid({ z: top + start });
    w.line({ z: top + plan.tipZMm }, plan.edgeFeedMmMin);
    for (let k = 1; k <= plan.passes; k++) {
      // Equal areas: a chamfer grows with the square of its width.
      const radius = Math.max(0.02, last - plan.sizeMm * (1 - Math.sqrt(k / plan.passes)));
      turnInside(w, centre, radius, plan.edgeFeedMmMin, 2 * plan.axisOffWallMm);
    }
    w.rapid({ z: top + clear });
  }
}
