export type FinishedFace = 'floor' | 'wall' | 'floor-and-wall' | 'corner' | 'rib' | 'surface';
export const FINISHED_FACES: readonly FinishedFace[] = [
  'floor',
  'wall',
  'floor-and-wall',
  'corner',
  'rib',
  'surface',
];

/** How a cutter stands over a curved surface. */
export interface SurfaceSetup {
  /** Tilt of the cutter from the vertical, degrees: towards its flank, less than 0 away from it; 0 on three axes. */
  readonly tiltDeg: number;
  /** Smallest radius the surface is hollow by, mm; null where it is flat or bulges. */
  readonly hollowMm: number | null;
}

/**
 * A finishing cut and what it finds, lengths in mm. Of a floor the feature's depth is the stock on it; of walls, corners and ribs the
 * feature's width is the stock a side, its depth the height of the wall. Of a curved surface the depth is the stock along its normal, the
 * width runs across the passes along the slope.
 */
export interface Finishing {
  readonly face: FinishedFace;
  /** Stock on the floor, of a floor and of floor and wall. */
  readonly floorStockMm: number;
  /** From the face the tool comes from down to the floor. */
  readonly floorMm: number;
  /** Area of the floor that is finished with the wall, mm²; 0 where the wall alone is. */
  readonly floorAreaMm2: number;
  /** Diameter of the cutter before, that left what is in the corners; null is not known. */
  readonly rougherMm: number | null;
  /** Thickness a rib is left with; null of everything else. */
  readonly ribMm: number | null;
  /** A rib's two sides are cut in turn, level by level: what is below still holds it. */
  readonly inTurn: boolean;
  /** How far the edge goes below a through floor, so that its worn corner is out of the cut. */
  readonly pastFloorMm: number;
  /** Of a curved surface; absent of every other face. */
  readonly surface?: SurfaceSetup;
}

/** A curved surface on three axes. */
export const PLAIN_SURFACE: SurfaceSetup = { tiltDeg: 0, hollowMm: null };
/** A finishing cut when only its wall is known. */
export const PLAIN_FINISHING: Finishing = {
  face: 'wall',
  floorStockMm: 0,
  floorMm: 10,
  floorAreaMm2: 0,
  rougherMm: null,
  ribMm: null,
  inTurn: true,
  pastFloorMm: 0,
};

/** Thickness a cutter leaves in an inside corner of a radius, mm on the bisector. Circle geometry. */
export const leftInCorner = (cutterMm: number, cornerMm: number): number =>
  (Math.SQRT2 - 1) * Math.max(0, cutterMm / 2 - cornerMm);
