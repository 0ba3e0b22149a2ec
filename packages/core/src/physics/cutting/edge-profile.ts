import { type Cutter, outerDiameter } from '../../crib/cutter.ts';
import { type Immersion, immersion } from './engagement.ts';
import { roundEdgeAngle, roundEffectiveDiameter } from './round-edge.ts';

/** A slice of the edge with one radius, one edge angle and one engagement angle. */
export interface EdgeBand {
  readonly fromMm: number;
  readonly toMm: number;
  readonly radiusMm: number;
  /** Tool cutting edge angle, rad. */
  readonly kapr: number;
  readonly arc: Immersion;
}

interface Slice {
  readonly from: number;
  readonly to: number;
  readonly radius: number;
  readonly kapr: number;
}

/** Slices a quarter-circle edge; equal steps of edge angle, so that the flat bottom is not starved of slices. */
function roundSlices(edgeRadius: number, bottomRadius: number, depth: number, count: number): Slice[] {
  const top = roundEdgeAngle(depth, 2 * edgeRadius);
  return Array.from({ length: count }, (_, i) => {
    const a0 = (top * i) / count;
    const a1 = (top * (i + 1)) / count;
    const middle = (a0 + a1) / 2;
    const from = edgeRadius * (1 - Math.cos(a0));
    const to = edgeRadius * (1 - Math.cos(a1));
    // Edge angle that keeps the slice's true edge length: height over length.
    const kapr = Math.asin(Math.min(1, (to - from) / (edgeRadius * (a1 - a0))));
    return { from, to, radius: bottomRadius + edgeRadius * Math.sin(middle), kapr };
  });
}

function slices(cutter: Cutter, depth: number): Slice[] {
  const p = cutter.properties;
  const dc = p.DC ?? 0;
  switch (cutter.type) {
    case 'end_mill_ball': {
      const r = dc / 2;
      const ball = roundSlices(r, 0, Math.min(depth, r), 5);
      return depth > r ? [...ball, { from: r, to: depth, radius: r, kapr: Math.PI / 2 }] : ball;
    }
    case 'face_mill_round': {
      const r = (p.IC ?? 0) / 2;
      return roundSlices(r, dc / 2, Math.min(depth, r), 4);
    }
    case 'high_feed_mill':
    case 'face_mill_45':
    case 'face_mill_45_wiper': {
      const kapr = ((p.KAPR ?? 90) * Math.PI) / 180;
      const radius = Math.min(outerDiameter(cutter) / 2, dc / 2 + depth / 2 / Math.tan(kapr));
      return [{ from: 0, to: depth, radius, kapr }];
    }
    case 'dovetail_mill': {
      const kapr = ((p.KAPR ?? 60) * Math.PI) / 180;
      const step = depth / 3;
      return [0, 1, 2].map((i) => ({
        from: i * step,
        to: (i + 1) * step,
        radius: Math.max(0.05, dc / 2 - ((i + 0.5) * step) / Math.tan(kapr)),
        kapr,
      }));
    }
    default: {
      const re = Math.min(p.RE ?? 0, depth);
      if ((p.RE ?? 0) < 0.02 * dc) return [{ from: 0, to: depth, radius: dc / 2, kapr: Math.PI / 2 }];
      const corner = roundSlices(p.RE ?? 0, dc / 2 - (p.RE ?? 0), re, re > 0.15 * dc ? 2 : 1);
      return depth > re ? [...corner, { from: re, to: depth, radius: dc / 2, kapr: Math.PI / 2 }] : corner;
    }
  }
}

/** Largest diameter that takes part in a cut of this depth, mm; the diameter cutting speed is quoted at. */
export function diameterInCut(cutter: Cutter, axialDepthMm: number): number {
  const p = cutter.properties;
  const dc = p.DC ?? 0;
  switch (cutter.type) {
    case 'dovetail_mill':
      return dc;
    case 'end_mill_ball':
      return axialDepthMm >= dc / 2 ? dc : roundEffectiveDiameter(axialDepthMm, dc, 0);
    case 'face_mill_round': {
      const ic = p.IC ?? 0;
      return roundEffectiveDiameter(Math.min(axialDepthMm, ic / 2), ic, dc);
    }
    case 'face_mill_45':
    case 'face_mill_45_wiper':
      return Math.min(
        outerDiameter(cutter),
        dc + (2 * axialDepthMm) / Math.tan(((p.KAPR ?? 45) * Math.PI) / 180),
      );
    default: {
      const re = p.RE ?? 0;
      return axialDepthMm >= re ? dc : roundEffectiveDiameter(axialDepthMm, 2 * re, dc - 2 * re);
    }
  }
}

/**
 * The edge in the cut, tip first. `radialMm` counts from the widest circle in the cut, so a slice nearer the tip,
 * where the edge has moved inwards, sees less of it and drops out when it sees nothing.
 */
export function edgeProfile(
  cutter: Cutter,
  axialDepthMm: number,
  radialMm: number,
  direction: 'climb' | 'conventional',
): EdgeBand[] {
  const edge = slices(cutter, axialDepthMm);
  const widest = edge.reduce((most, s) => Math.max(most, s.radius), 0);
  const bands: EdgeBand[] = [];
  for (const s of edge) {
    // A full-width cut is full width for every slice.
    const full = radialMm >= 2 * widest * (1 - 1e-9);
    const seen = full ? 2 * s.radius : Math.min(2 * s.radius, radialMm - Math.max(0, widest - s.radius));
    if (seen <= 0) continue;
    bands.push({
      fromMm: s.from,
      toMm: s.to,
      radiusMm: s.radius,
      kapr: s.kapr,
      arc: immersion(seen, 2 * s.radius, direction),
    });
  }
  return bands;
}

/** Largest sin κ · sin φ over the profile: max chip thickness per unit of feed per tooth. */
export function chipFactor(bands: readonly EdgeBand[]): number {
  let largest = 0;
  for (const b of bands) {
    const sine =
      b.arc.entry <= Math.PI / 2 && b.arc.exit >= Math.PI / 2
        ? 1
        : Math.max(Math.sin(b.arc.entry), Math.sin(b.arc.exit));
    largest = Math.max(largest, sine * Math.sin(b.kapr));
  }
  return largest;
}

/** Mean of sin κ · sin φ over engaged edge and angle: mean chip per unit of feed per tooth. */
export function meanChipFactor(bands: readonly EdgeBand[]): number {
  let area = 0;
  let length = 0;
  for (const b of bands) {
    const height = b.toMm - b.fromMm;
    const edge = height / Math.sin(b.kapr);
    area += height * (Math.cos(b.arc.entry) - Math.cos(b.arc.exit));
    length += edge * (b.arc.exit - b.arc.entry);
  }
  return length === 0 ? 0 : area / length;
}

/** Edge in the cut, mm along it. */
export const edgeLength = (bands: readonly EdgeBand[]): number =>
  bands.reduce((sum, b) => sum + (b.toMm - b.fromMm) / Math.sin(b.kapr), 0);

/** Widest engagement angle over the profile, rad. */
export const widestArc = (bands: readonly EdgeBand[]): number =>
  bands.reduce((widest, b) => Math.max(widest, b.arc.exit - b.arc.entry), 0);
