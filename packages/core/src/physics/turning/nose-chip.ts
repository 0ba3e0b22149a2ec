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
  /** Height of the ridge left between two turns, mm. */
  readonly ridgeMm: number;
}

const RAD = Math.PI / 180;
/** Intervals of Simpson's rule over the depth. */
const INTERVALS = 200;

/** How far ahead of the nose's lowest point the edge stands at a height over it, mm. */
function leadAt(height: number, noseMm: number, lead: number): number {
  const tangent = noseMm * (1 - Math.cos(lead));
  if (height <= tangent) {
    const beside = Math.sqrt(Math.max(0, height * (2 * noseMm - height)));
    // Beyond a right angle the nose goes on over its widest place.
    return beside;
  }
  return noseMm * Math.sin(lead) + (height - tangent) / Math.tan(lead);
}

/** Room behind the lowest point at a height, up to the widest place of the nose, mm. */
const trailAt = (height: number, noseMm: number): number =>
  height >= noseMm ? noseMm : Math.sqrt(Math.max(0, height * (2 * noseMm - height)));

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
    return { areaMm2, edgeMm, equivalentMm: areaMm2 / edgeMm, flowLeadDeg: leadDeg, ridgeMm: 0 };
  }
  requireWithin('feed per revolution', feedMm, 0, 2 * noseMm);
  const ridgeMm = noseMm - Math.sqrt(noseMm ** 2 - (feedMm / 2) ** 2);
  const width = (y: number): number => Math.min(feedMm, leadAt(y, noseMm, lead) + trailAt(y, noseMm));
  const areaMm2 = section(width, ridgeMm, depthMm, noseMm);
  const tangent = noseMm * (1 - Math.cos(lead));
  const upTo = depthMm < tangent ? Math.acos(1 - depthMm / noseMm) : lead;
  const edgeMm =
    noseMm * (upTo + Math.asin(feedMm / 2 / noseMm)) + Math.max(0, depthMm - tangent) / Math.sin(lead);
  return {
    areaMm2,
    edgeMm,
    equivalentMm: areaMm2 / edgeMm,
    flowLeadDeg:
      Math.atan2(
        Math.max(1e-9, depthMm - Math.min(ridgeMm, depthMm)),
        leadAt(depthMm, noseMm, lead) + feedMm / 2,
      ) / RAD,
    ridgeMm,
  };
}

/** Integral of the width over the height: in closed form below the ridge, where it grows like a root, and by Simpson's rule above. */
function section(width: (y: number) => number, ridgeMm: number, depthMm: number, noseMm: number): number {
  const low = Math.min(ridgeMm, depthMm);
  const angle = Math.acos(1 - low / noseMm);
  const below = noseMm ** 2 * (angle - Math.sin(angle) * Math.cos(angle));
  if (depthMm <= ridgeMm) return below;
  const h = (depthMm - low) / INTERVALS;
  let sum = width(low) + width(depthMm);
  for (let i = 1; i < INTERVALS; i++) sum += width(low + i * h) * (i % 2 ? 4 : 2);
  return below + (sum * h) / 3;
}
