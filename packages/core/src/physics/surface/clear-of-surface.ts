import type { SurfaceContact } from './surface-contact.ts';

const RAD = Math.PI / 180;

/** A rim of tool or holder: how far over the tip and how far off the axis, mm. */
export interface Rim {
  readonly heightMm: number;
  readonly radiusMm: number;
}

/** Least distance of rims from the slope and from the level above it, mm along their normals, less than 0 inside; null where none stands over it. */
export interface RoomBeside {
  readonly slope: number | null;
  readonly level: number | null;
}

/** How far rims stand off a line that rises by an angle from a point, over a length, mm. */
function offLine(rims: readonly Rim[], from: Rim, angleDeg: number, lengthMm: number): number | null {
  const [up, out] = [Math.sin(angleDeg * RAD), Math.cos(angleDeg * RAD)];
  const gaps = rims.flatMap((rim) => {
    const [across, above] = [rim.radiusMm - from.radiusMm, rim.heightMm - from.heightMm];
    const along = across * out + above * up;
    return along < 0 || along > lengthMm ? [] : [above * out - across * up];
  });
  return gaps.length === 0 ? null : Math.min(...gaps);
}

/**
 * Room of rims beside a surface that rises from the contact over `widthMm` and goes on level above, as a cutter tilted by `tiltDeg` sees
 * it. The contact is taken at the foot, where holder and shank come nearest.
 */
export function clearOfSurface(
  { diameterMm, heightMm, leanDeg }: SurfaceContact,
  widthMm: number,
  tiltDeg: number,
  rims: readonly Rim[],
): RoomBeside {
  const foot = { heightMm, radiusMm: diameterMm / 2 };
  const top = {
    heightMm: heightMm + widthMm * Math.sin(leanDeg * RAD),
    radiusMm: foot.radiusMm + widthMm * Math.cos(leanDeg * RAD),
  };
  return {
    slope: offLine(rims, foot, leanDeg, widthMm),
    level: offLine(rims, top, tiltDeg, Infinity),
  };
}
