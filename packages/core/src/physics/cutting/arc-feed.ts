import { requirePositive } from '../../units/input-error.ts';

/** An arc the cutter runs: finished and previous diameter of the wall, mm, inside or outside. */
export interface ArcCut {
  readonly finishedMm: number;
  readonly beforeMm: number;
  readonly toolMm: number;
  readonly internal: boolean;
}

/** Feed of the cutter's centre, mm/min, that gives the wanted feed where the edge cuts the finished wall. */
export function centreFeed(edgeFeedMmMin: number, arc: Omit<ArcCut, 'beforeMm'>): number {
  const radiusSign = arc.internal ? -1 : 1;
  requirePositive('path diameter', arc.finishedMm + radiusSign * arc.toolMm);
  return (edgeFeedMmMin * (arc.finishedMm + radiusSign * arc.toolMm)) / arc.finishedMm;
}

/** Straight-cut stepover with the same engagement angle as the arc, mm (circle intersection, exact for the angle). */
export function effectiveStepover({ finishedMm, beforeMm, toolMm, internal }: ArcCut): number {
  return internal
    ? (finishedMm ** 2 - beforeMm ** 2) / (4 * (finishedMm - toolMm))
    : (beforeMm ** 2 - finishedMm ** 2) / (4 * (finishedMm + toolMm));
}
