import { requirePositive } from '../../units/input-error.ts';
import { centreFeed, effectiveStepover } from '../cutting/arc-feed.ts';
import { helicalEntry } from '../cutting/helical-entry.ts';

/** One helix of a milled hole. */
export interface BoreHelix {
  readonly fromMm: number;
  readonly toMm: number;
  /** On the centre's path, degrees. */
  readonly rampDeg: number;
  /** Engagement of a straight cut with the same arc, mm; the whole cutter into solid. */
  readonly stepoverMm: number;
  /** Centre's feed over the edge's. */
  readonly centreShare: number;
  /** Turns down to the floor and one flat turn, and path of the centre, mm. */
  readonly turns: number;
  readonly pathMm: number;
}

export interface HelicalBore {
  readonly helices: readonly BoreHelix[];
  /** Post left standing in the middle by the first helix, mm; 0 where none. */
  readonly coreMm: number;
  /** The post is slender or drops through an open floor, so it breaks off under the tool. */
  readonly coreBreaksFree: boolean;
  readonly smallestMm: number;
  readonly widestFirstMm: number;
}

/** A post thinner than this share of its height breaks rather than being cut. */
const SLENDER = 0.3;

/**
 * A hole milled on one or several helices, from the middle outwards.
 *
 * The first helix into solid makes at most twice the cutter, or a post stays; from a hole already there the ring is
 * shared evenly. Lengths in mm; `deadCentreMm` does not cut at the cutter's middle.
 */
export function helicalBore(b: {
  readonly holeMm: number;
  readonly startMm: number;
  readonly toolMm: number;
  readonly deadCentreMm: number;
  readonly pitchMm: number;
  readonly depthMm: number;
  readonly stepovers: number;
  readonly through: boolean;
}): HelicalBore {
  requirePositive('pitch', b.pitchMm);
  requirePositive('hole minus tool diameter', b.holeMm - b.toolMm);
  const first = helicalEntry(b.holeMm, b.toolMm, b.pitchMm, b.deadCentreMm);
  const solid = b.startMm < b.toolMm;
  const widest = first.largestFlatHoleMm;
  // Into solid the first helix is as wide as it may be without a post, when there are others to widen it.
  const begin = solid ? Math.min(b.holeMm, b.stepovers > 1 ? 0.95 * widest : b.holeMm) : b.startMm;
  const rings = solid ? b.stepovers - 1 : b.stepovers;
  const edges = [
    ...(solid ? [[b.startMm, begin]] : []),
    ...Array.from({ length: rings }, (_, i) => [
      begin + ((b.holeMm - begin) * i) / rings,
      begin + ((b.holeMm - begin) * (i + 1)) / rings,
    ]),
  ].filter(([from, to]) => to! - from! > 1e-9) as [number, number][];
  const helices = edges.map(([from, to]): BoreHelix => {
    const e = helicalEntry(to, b.toolMm, b.pitchMm, b.deadCentreMm);
    const turns = Math.ceil(b.depthMm / b.pitchMm) + 1;
    const inside = from < b.toolMm;
    return {
      fromMm: from,
      toMm: to,
      rampDeg: (e.rampAngle * 180) / Math.PI,
      stepoverMm: inside
        ? b.toolMm
        : Math.min(
            b.toolMm,
            effectiveStepover({ finishedMm: to, beforeMm: from, toolMm: b.toolMm, internal: true }),
          ),
      centreShare: centreFeed(1, { finishedMm: to, toolMm: b.toolMm, internal: true }),
      turns,
      pathMm: turns * e.pathLengthPerTurnMm,
    };
  });
  const firstHelix = helices[0]!;
  const post = solid ? Math.max(0, firstHelix.toMm - widest) : 0;
  return {
    helices,
    coreMm: post,
    coreBreaksFree: post > 0 && (b.through || post < SLENDER * b.depthMm),
    smallestMm: first.smallestHoleMm,
    widestFirstMm: widest,
  };
}

/** How far the worn corner has to go past an open floor, mm: corner radius, its wear, and a little. */
export const pastFloorNeeded = (cornerRadiusMm: number, flankWearMm: number): number =>
  cornerRadiusMm + flankWearMm + 0.1;
