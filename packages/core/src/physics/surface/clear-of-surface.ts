import type { SurfaceContact } from './surface-contact.ts';

const RAD = Math.PI / 180;

/** A rim of tool or holder: how far over the tip and how far off the axis, mm. */
export interface Rim {
  readonly heightMm: number;
  readonly radiusMm: number;
}

/**
 * Least distance of the rims from a surface that rises from the contact over `widthMm`, mm along its normal, less than 0 inside it; null
 * where none of them stands over it. The contact is taken at the foot, where holder and shank come nearest.
 */
export function clearOfSurface(
  { diameterMm, heightMm, leanDeg }: SurfaceContact,
  widthMm: number,
  rims: readonly Rim[],
): number | null {
  const [up, out] = [Math.sin(leanDeg * RAD), Math.cos(leanDeg * RAD)];
  const gaps = rims.flatMap((rim) => {
    const [across, above] = [rim.radiusMm - diameterMm / 2, rim.heightMm - heightMm];
    const along = across * out + above * up;
    return along < 0 || along > widthMm ? [] : [above * out - across * up];
  });
  return gaps.length === 0 ? null : Math.min(...gaps);
}
