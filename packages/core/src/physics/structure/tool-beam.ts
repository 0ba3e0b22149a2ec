import { type Cutter, isIndexable, outerDiameter } from '../../crib/cutter.ts';
import type { BeamSegment } from './stepped-beam.ts';

/** Modulus of the steel body that carries inserts, GPa. */
const STEEL_GPA = 207;

/** Solid cutters that narrow to their tip along the edge. */
const CONES = ['chamfer_mill', 'engraving_cutter', 'corner_rounding_mill'];
const SLICES = 6;

/** A cone in slices, each a bar of its middle's diameter. */
function cone(cutter: Cutter, lengthMm: number, modulusGPa: number): BeamSegment[] {
  const [tip, outer] = [cutter.properties.DC ?? 0, outerDiameter(cutter)];
  const ratio = cutter.extended.effective_bending_diameter_ratio ?? 0.9;
  return Array.from({ length: SLICES }, (_, i) => ({
    lengthMm: lengthMm / SLICES,
    diameterMm: ratio * (outer - ((outer - tip) * (i + 0.5)) / SLICES),
    modulusGPa,
  }));
}

/** How much a ball on a cone is wider half way up its edge than at its tip, mm. */
const widerHalfWay = ({ type, properties: p }: Cutter, edgeMm: number): number =>
  type === 'end_mill_ball' ? edgeMm * Math.tan((Number(p['TA'] ?? 0) * Math.PI) / 180) : 0;

/**
 * The tool from the holder's nose to its tip, root first: shank, neck, flutes. The fluted part bends like a bar of
 * the effective diameter (second moment of the fluted section; Kops & Vo 1990), indexable bodies like a steel bar.
 */
export function toolBeam(cutter: Cutter, stickOutMm: number, modulusGPa: number): BeamSegment[] {
  const p = cutter.properties;
  const dc = p.DC ?? 0;
  if (isIndexable(cutter)) {
    return [{ lengthMm: stickOutMm, diameterMm: 0.8 * dc, modulusGPa: STEEL_GPA }];
  }
  const fluted = Math.min(stickOutMm, p.LCF ?? p.APMX ?? stickOutMm);
  const neckEnd = Math.min(stickOutMm, Math.max(fluted, p.LH ?? p.LU ?? fluted));
  const segments = [
    { lengthMm: stickOutMm - neckEnd, diameterMm: p.DCONMS ?? dc, modulusGPa },
    {
      lengthMm: neckEnd - fluted,
      diameterMm: p.DN ?? (CONES.includes(cutter.type) ? outerDiameter(cutter) : dc),
      modulusGPa,
    },
    ...(CONES.includes(cutter.type)
      ? cone(cutter, fluted, modulusGPa)
      : [
          {
            lengthMm: fluted,
            diameterMm:
              (dc + widerHalfWay(cutter, fluted)) *
              (cutter.extended.effective_bending_diameter_ratio ?? 0.82),
            modulusGPa,
          },
        ]),
  ];
  return segments.filter((s) => s.lengthMm > 1e-6);
}

/** Diameter that bends at the root of the flutes, mm. */
export const rootDiameter = (cutter: Cutter): number =>
  (cutter.properties.DC ?? 1) *
  (isIndexable(cutter) ? 0.8 : (cutter.extended.effective_bending_diameter_ratio ?? 0.82));
