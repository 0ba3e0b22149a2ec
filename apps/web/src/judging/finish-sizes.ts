import {
  type Cutter,
  type FinishedFace,
  type Finishing,
  leftInCorner,
  PLAIN_FINISHING,
  PLAIN_SURFACE,
  surfaceContact,
} from '@burl/core';
import type { MilledSize } from '@burl/contract';
import type { OwnMade, TypedSizes } from './own-made.ts';

const finish = (
  face: FinishedFace,
  size: { lengthMm: number; widthMm: number; depthMm: number; cornerRadiusMm?: number | null },
  more: Partial<Finishing>,
): MilledSize => ({
  kind: face === 'floor' ? 'pocket' : 'side',
  cornerRadiusMm: null,
  ...size,
  finishing: { ...PLAIN_FINISHING, face, ...more },
});

const endMill = ({ type }: Cutter): boolean => type === 'end_mill_flat' || type === 'end_mill_bull';
const diameter = (c: Cutter): number => c.properties.DC ?? 0;
const reaches = (c: Cutter, deepMm: number): boolean => (c.properties.LU ?? 0) >= deepMm;
/** The edge as long as the wall first, then the thickest; a cutter of many teeth leaves the finer wall. */
const forWall = (c: Cutter, n: TypedSizes): number =>
  Math.max(0, n.depthMm - (c.properties.APMX ?? 0)) -
  Math.min(diameter(c), 16) -
  Number(c.properties.ZEFP ?? 2) / 10;

/** A middle size, of more than two teeth: those of keyways leave a wall of their bend. */
const nearTwelve = (c: Cutter): number =>
  Math.abs(diameter(c) - 12) + (Number(c.properties.ZEFP ?? 2) < 3 ? 4 : 0);

/** Finishing cuts as the list of what is cut has them. The stock is typed as the width, corners as the start. */
export const FINISHES = {
  'finish wall': {
    asks: [
      ['lengthMm', 'Length of wall'],
      ['depthMm', 'Height of the wall'],
      ['widthMm', 'Stock on the wall'],
      ['startMm', 'Cutter before'],
      ['endMm', 'Inside corners, R'],
    ],
    begins: { lengthMm: 200, depthMm: 20, widthMm: 0.3, startMm: 16, endMm: 8 },
    size: (n) =>
      finish(
        'wall',
        { lengthMm: n.lengthMm, widthMm: n.widthMm, depthMm: n.depthMm, cornerRadiusMm: n.endMm || null },
        { floorMm: n.depthMm, rougherMm: n.startMm || null },
      ),
    tool: (c, n) => endMill(c) && reaches(c, n.depthMm) && (n.endMm === 0 || diameter(c) < 2 * n.endMm),
    near: forWall,
    name: () => 'Finish wall',
  },
  'finish floor': {
    asks: [
      ['lengthMm', 'Length'],
      ['diameterMm', 'Width'],
      ['widthMm', 'Stock on the floor'],
      ['depthMm', 'Floor below the face'],
    ],
    begins: { lengthMm: 60, diameterMm: 40, widthMm: 0.2, depthMm: 20 },
    size: (n) =>
      finish(
        'floor',
        { lengthMm: n.lengthMm, widthMm: n.diameterMm, depthMm: n.widthMm },
        { floorMm: n.depthMm },
      ),
    tool: (c, n) =>
      endMill(c) && reaches(c, n.depthMm) && diameter(c) <= 0.8 * Math.min(n.lengthMm, n.diameterMm),
    near: nearTwelve,
    name: () => 'Finish floor',
  },
  'finish floor and wall': {
    asks: [
      ['lengthMm', 'Length'],
      ['diameterMm', 'Width'],
      ['depthMm', 'Height of the wall'],
      ['widthMm', 'Stock on floor and wall'],
      ['startMm', 'Cutter before'],
      ['endMm', 'Inside corners, R'],
    ],
    begins: { lengthMm: 60, diameterMm: 40, depthMm: 20, widthMm: 0.2, startMm: 12, endMm: 6 },
    size: (n) =>
      finish(
        'floor-and-wall',
        {
          lengthMm: 2 * (n.lengthMm + n.diameterMm),
          widthMm: n.widthMm,
          depthMm: n.depthMm,
          cornerRadiusMm: n.endMm || null,
        },
        {
          floorMm: n.depthMm,
          floorStockMm: n.widthMm,
          floorAreaMm2: n.lengthMm * n.diameterMm,
          rougherMm: n.startMm || null,
        },
      ),
    tool: (c, n) => endMill(c) && reaches(c, n.depthMm) && (n.endMm === 0 || diameter(c) < 2 * n.endMm),
    near: forWall,
    name: () => 'Finish floor and wall',
  },
  'rest in corners': {
    asks: [
      ['startMm', 'Cutter before'],
      ['endMm', 'Inside corners, R'],
      ['depthMm', 'Height of the wall'],
      ['widthMm', 'Stock on the wall'],
    ],
    begins: { startMm: 16, endMm: 4, depthMm: 20, widthMm: 0.2 },
    // Four corners, each cut from where the larger cutter left the walls; the walls' stock stays for their finisher.
    size: (n) => ({
      allowanceMm: n.widthMm,
      ...finish(
        'corner',
        {
          lengthMm: 4 * n.startMm,
          widthMm: Number(Math.max(0.05, leftInCorner(n.startMm, n.endMm)).toFixed(2)),
          depthMm: n.depthMm,
          cornerRadiusMm: n.endMm,
        },
        { floorMm: n.depthMm, rougherMm: n.startMm },
      ),
    }),
    // A cutter of four fifths of the corner goes round it without a jump.
    tool: (c, n) => endMill(c) && reaches(c, n.depthMm) && diameter(c) <= 1.6 * n.endMm,
    near: (c) => -diameter(c),
    name: (n) => `Pick out corners R ${n.endMm}`,
  },
  'curved surface': {
    asks: [
      ['lengthMm', 'Length along the passes'],
      ['diameterMm', 'Width up the slope'],
      ['slopeDeg', 'Slope', 'deg'],
      ['scallopMm', 'Ridges that may stay', 'mm-fine'],
      ['widthMm', 'Stock on the surface'],
      ['depthMm', 'Foot below the face'],
    ],
    begins: { lengthMm: 80, diameterMm: 40, slopeDeg: 30, scallopMm: 0.005, widthMm: 0.2, depthMm: 25 },
    size: (n) => ({
      slopeDeg: n.slopeDeg,
      scallopMm: n.scallopMm,
      ...finish(
        'surface',
        { lengthMm: n.lengthMm, widthMm: n.diameterMm, depthMm: n.widthMm },
        { floorMm: n.depthMm, surface: PLAIN_SURFACE },
      ),
    }),
    // What touches it upright; others are taken from the comparison, tilted.
    tool: (c, n) => surfaceContact(c, n.slopeDeg) !== null && reaches(c, n.depthMm),
    near: (c) => Number(c.type !== 'end_mill_ball') * 10 + Math.abs(diameter(c) - 10),
    name: (n) => `Finish surface at ${n.slopeDeg}°`,
  },
  'finish rib': {
    asks: [
      ['lengthMm', 'Length of the rib'],
      ['depthMm', 'Height of the rib'],
      ['diameterMm', 'Thickness left'],
      ['widthMm', 'Stock a side'],
    ],
    begins: { lengthMm: 80, depthMm: 25, diameterMm: 2, widthMm: 0.4 },
    size: (n) =>
      finish(
        'rib',
        { lengthMm: n.lengthMm, widthMm: n.widthMm, depthMm: n.depthMm },
        { floorMm: n.depthMm, ribMm: n.diameterMm },
      ),
    tool: (c, n) => endMill(c) && reaches(c, n.depthMm),
    near: nearTwelve,
    name: (n) => `Finish rib ${n.diameterMm} thick`,
  },
} as const satisfies Record<string, OwnMade<MilledSize>>;
