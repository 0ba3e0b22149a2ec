import { requirePositive } from '../../units/input-error.ts';

/** Geometry of helical milling of a hole with a flat-bottomed tool. */
export interface HelicalEntry {
  readonly pathDiameterMm: number;
  /** On the centre's path, rad. */
  readonly rampAngle: number;
  readonly pathLengthPerTurnMm: number;
  readonly smallestHoleMm: number;
  readonly largestFlatHoleMm: number;
  /** Post left standing at the centre, mm. */
  readonly coreMm: number;
  readonly bottomFullyCut: boolean;
}

/** Helix of `pitch` per turn in a hole; `deadCentre` is the diameter at the tool's middle that does not cut, mm. */
export function helicalEntry(
  holeMm: number,
  toolMm: number,
  pitchMm: number,
  deadCentreMm: number,
): HelicalEntry {
  const path = holeMm - toolMm;
  requirePositive('hole minus tool diameter', path);
  const smallest = toolMm + deadCentreMm;
  const largest = 2 * toolMm;
  return {
    pathDiameterMm: path,
    rampAngle: Math.atan(pitchMm / (Math.PI * path)),
    pathLengthPerTurnMm: Math.hypot(Math.PI * path, pitchMm),
    smallestHoleMm: smallest,
    largestFlatHoleMm: largest,
    coreMm: Math.max(0, holeMm - largest),
    bottomFullyCut: holeMm >= smallest && holeMm <= largest,
  };
}
