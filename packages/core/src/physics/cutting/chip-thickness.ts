import { engagementAngle } from './engagement.ts';

/** Thickest chip over the arc, mm, circular approximation (Martellotti 1941): fz·sinκ·sin of the arc up to 90°. */
export function maximumChip(
  feedPerToothMm: number,
  radialMm: number,
  diameterMm: number,
  kapr = Math.PI / 2,
): number {
  const arc = engagementAngle(radialMm, diameterMm);
  return feedPerToothMm * Math.sin(kapr) * (arc < Math.PI / 2 ? Math.sin(arc) : 1);
}

/** Mean chip over the engagement angle, mm (mean over the angle). */
export function meanChip(
  feedPerToothMm: number,
  radialMm: number,
  diameterMm: number,
  kapr = Math.PI / 2,
): number {
  const arc = engagementAngle(radialMm, diameterMm);
  return arc === 0 ? 0 : (feedPerToothMm * Math.sin(kapr) * 2 * radialMm) / (diameterMm * arc);
}

/** Feed per tooth, mm, that gives the wanted max chip thickness at this engagement. */
export const feedForMaximumChip = (
  chipMm: number,
  radialMm: number,
  diameterMm: number,
  kapr = Math.PI / 2,
): number => chipMm / maximumChip(1, radialMm, diameterMm, kapr);

/** Feed per tooth, mm, that gives the wanted mean chip at this engagement. */
export const feedForMeanChip = (
  chipMm: number,
  radialMm: number,
  diameterMm: number,
  kapr = Math.PI / 2,
): number => chipMm / meanChip(1, radialMm, diameterMm, kapr);
