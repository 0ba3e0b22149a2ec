import { requirePositive } from '../../units/input-error.ts';

export interface BoreCut {
  readonly kc11: number;
  readonly mc: number;
  /** Radial over tangential force. */
  readonly radialRatio: number;
  /** Lead angle, degrees, and nose radius, mm. */
  readonly leadDeg: number;
  readonly noseMm: number;
  /** On the radius, mm. */
  readonly depthMm: number;
  readonly feedMm: number;
}

/** Forces of one pass of a boring bar: turning with a nose. The thin side of a nose turns the force across the bar. */
export function boreForces(c: BoreCut): {
  readonly chipMm: number;
  readonly tangentialN: number;
  /** Across the bar, N: what it bends away from the wall with. */
  readonly radialN: number;
} {
  requirePositive('depth of cut', c.depthMm);
  requirePositive('feed per revolution', c.feedMm);
  const lead = (Math.min(90, c.leadDeg) * Math.PI) / 180;
  const onNose = c.noseMm * (1 - Math.cos(lead));
  // Within the nose the edge meets the wall at half the angle of its arc.
  const angle =
    c.depthMm < onNose ? Math.acos(1 - c.depthMm / c.noseMm) / 2 : lead - ((lead / 2) * onNose) / c.depthMm;
  const chip = c.feedMm * Math.sin(angle);
  const width = c.depthMm / Math.sin(angle);
  const tangential = c.kc11 * chip ** -c.mc * chip * width;
  return { chipMm: chip, tangentialN: tangential, radialN: c.radialRatio * tangential * Math.cos(angle) };
}

/** Share of a lean that is left after one pass without new stock: the cut's stiffness against the bar's. */
export const leftAfterSpring = (forceNPerMm: number, stiffnessNPerMm: number): number =>
  forceNPerMm / (forceNPerMm + stiffnessNPerMm);
