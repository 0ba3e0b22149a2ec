import { requirePositive, requireWithin } from '../../units/input-error.ts';
import type { Cutter } from '../../crib/cutter.ts';

/** Ridge between passes `stepover` apart, measured along the surface, of an edge of radius `r`: R − √(R² − s²/4), mm. */
export function scallopHeight(stepoverMm: number, radiusMm: number): number {
  requirePositive('edge radius', radiusMm);
  requireWithin('stepover', stepoverMm, 0, 2 * radiusMm);
  return radiusMm - Math.sqrt(radiusMm ** 2 - stepoverMm ** 2 / 4);
}

/** Stepover that leaves a ridge of the wanted height, mm. */
export function stepoverForScallop(heightMm: number, radiusMm: number): number {
  requirePositive('edge radius', radiusMm);
  requireWithin('scallop', heightMm, 0, radiusMm);
  return 2 * Math.sqrt(2 * radiusMm * heightMm - heightMm ** 2);
}

/** Whether the arc of a barrel's flank reaches round to a slope: a few degrees to either side of its middle. Its small corner does all else. */
function onFlank({ properties: p }: Cutter, slopeDeg: number): boolean {
  const profile = Number(p['PRFRAD'] ?? 0);
  const half = (p.LCF ?? p.APMX ?? p.DC ?? 0) / 2;
  const reach = (Math.asin(Math.min(1, half / Math.max(profile, half, 1e-6))) * 180) / Math.PI;
  return profile > 0 && Math.abs(slopeDeg - (90 - Number(p['TA'] ?? 0))) <= reach;
}

/** Radius with which a cutter touches a surface of this slope, mm; null where a flat edge lies on it and leaves no ridge. */
export function contactRadius(cutter: Cutter, slopeDeg: number): number | null {
  const p = cutter.properties;
  switch (cutter.type) {
    case 'end_mill_ball':
      return (p.DC ?? 0) / 2;
    case 'end_mill_barrel':
      return onFlank(cutter, slopeDeg) ? Number(p['PRFRAD']) : (p.RE ?? null);
    case 'end_mill_lens': {
      const profile = Number(p['PRFRAD'] ?? 0);
      const ends = Math.asin(Math.min(1, ((p.DC ?? 0) / 2 - (p.RE ?? 0)) / Math.max(profile, 1e-6)));
      return (slopeDeg * Math.PI) / 180 <= ends ? profile || null : (p.RE ?? null);
    }
    case 'face_mill_round':
      return slopeDeg > 0 && slopeDeg < 90 ? (p.IC ?? 0) / 2 : null;
    default:
      return slopeDeg > 0 && slopeDeg < 90 && (p.RE ?? 0) > 0 ? p.RE! : null;
  }
}

/**
 * Distance between passes along the surface, mm: on a floor the stepover itself, on a slope the step down divided by
 * its sine, whichever of both leaves less.
 */
export function passSpacing(slopeDeg: number, radialMm: number, axialMm: number): number {
  requireWithin('slope', slopeDeg, 0, 90);
  const slope = (slopeDeg * Math.PI) / 180;
  const down = Math.sin(slope) > 1e-9 ? axialMm / Math.sin(slope) : Infinity;
  const over = Math.cos(slope) > 1e-9 ? radialMm / Math.cos(slope) : Infinity;
  return Math.min(down, over);
}

/** Height of step a flat or bull-nose end leaves between levels on an inclined wall, mm, without its corner's help. */
export const terraceHeight = (slopeDeg: number, axialMm: number): number =>
  slopeDeg >= 90 || slopeDeg <= 0 ? 0 : axialMm * Math.cos((slopeDeg * Math.PI) / 180);

/** Angle error of a barrel that moves its contact along the profile: 0.1° shifts it by R·0.00175. Rule G-84. */
export const barrelContactShift = (profileRadiusMm: number, errorDeg: number): number =>
  (profileRadiusMm * errorDeg * Math.PI) / 180;
