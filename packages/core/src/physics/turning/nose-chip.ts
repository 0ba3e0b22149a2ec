import { requirePositive, requireWithin } from '../../units/input-error.ts';

/** A turning edge as the part meets it: nose radius in mm, angle of the leading edge to the feed in degrees. */
export interface TurningEdge {
  readonly noseMm: number;
  /** ISO 3002-1 tool cutting edge angle κr; over 90° the edge leans back. */
  readonly leadDeg: number;
}

/** Chip of one turn. */
export interface NoseChip {
  /** Section of the chip, mm². */
  readonly areaMm2: number;
  /** Length of edge in the cut, mm. */
  readonly edgeMm: number;
  /** Equivalent thickness, section over edge, mm. Woxén 1932. */
  readonly equivalentMm: number;
  /** Angle to the feed of the line between the ends of the engaged edge, degrees: across it the chip leaves. Colwell 1954. */
  readonly flowLeadDeg: number;
  /** Angle of the edge to the feed where it leaves the part, degrees: there it is notched. */
  readonly lineLeadDeg: number;
  /** Width of edge that a movement across the part makes thicker or thinner, mm: its share by the square of the cosine. */
  readonly acrossMm: number;
  /** Height of the ridge left between two turns, mm. */
  readonly ridgeMm: number;
}

const RAD = Math.PI / 180;
/** How far ahead of the nose's lowest point the edge stands at a height over it, mm. */
function leadAt(height: number, noseMm: number, lead: number): number {
  const tangent = noseMm * (1 - Math.cos(lead));
  if (height <= tangent) return Math.sqrt(Math.max(0, height * (2 * noseMm - height)));
  return noseMm * Math.sin(lead) + (height - tangent) / Math.tan(lead);
}

/**
 * Chip between the edge and itself one feed behind, up to a depth (mm). A nose of 0 is a sharp corner: h = f·sin κ, b = ap/sin κ.
 * Throws an InputError when the feed is wider than the nose leaves a surface with.
 */
export function noseChip({ noseMm, leadDeg }: TurningEdge, feedMm: number, depthMm: number): NoseChip {
  requirePositive('feed per revolution', feedMm);
  requirePositive('depth of cut', depthMm);
  requireWithin('cutting edge angle', leadDeg, 1, 135);
  const lead = leadDeg * RAD;
  if (noseMm <= 0) {
    const edgeMm = depthMm / Math.sin(lead);
    const areaMm2 = feedMm * depthMm;
    const acrossMm = edgeMm * Math.cos(lead) ** 2;
    return {
      areaMm2,
      edgeMm,
      equivalentMm: areaMm2 / edgeMm,
      flowLeadDeg: leadDeg,
      lineLeadDeg: leadDeg,
      acrossMm,
      ridgeMm: 0,
    };
  }
  requireWithin('feed per revolution', feedMm, 0, 2 * noseMm);
  const ridgeMm = noseMm - Math.sqrt(noseMm ** 2 - (feedMm / 2) ** 2);
  const areaMm2 = section(feedMm, ridgeMm, depthMm, noseMm);
  const tangent = noseMm * (1 - Math.cos(lead));
  const upTo = depthMm < tangent ? Math.acos(1 - depthMm / noseMm) : lead;
  const behind = Math.asin(feedMm / 2 / noseMm);
  const straight = Math.max(0, depthMm - tangent) / Math.sin(lead);
  const edgeMm = noseMm * (upTo + behind) + straight;
  /** Integral of cos² over the nose from its lowest point to an angle. */
  const squared = (angle: number): number => (noseMm * (angle + Math.sin(angle) * Math.cos(angle))) / 2;
  return {
    areaMm2,
    edgeMm,
    equivalentMm: areaMm2 / edgeMm,
    flowLeadDeg:
      Math.atan2(
        Math.max(1e-9, depthMm - Math.min(ridgeMm, depthMm)),
        leadAt(depthMm, noseMm, lead) + feedMm / 2,
      ) / RAD,
    lineLeadDeg: upTo / RAD,
    acrossMm: squared(upTo) + squared(behind) + straight * Math.cos(lead) ** 2,
    ridgeMm,
  };
}

/** Section of the chip: the feed times the depth over the ridge, and below it what both sides of the nose enclose. */
function section(feedMm: number, ridgeMm: number, depthMm: number, noseMm: number): number {
  const angle = Math.acos(1 - Math.min(ridgeMm, depthMm) / noseMm);
  const below = noseMm ** 2 * (angle - Math.sin(angle) * Math.cos(angle));
  return below + feedMm * Math.max(0, depthMm - ridgeMm);
}
