import type { Finishing } from './finishing.ts';
import type { Undercut } from './undercut.ts';

export type MillingFeatureKind = 'pocket' | 'slot' | 'side' | 'boss' | 'face';
export const MILLING_FEATURES: readonly MillingFeatureKind[] = ['pocket', 'slot', 'side', 'boss', 'face'];

/** Material that stays standing in a pocket. */
export interface Island {
  readonly lengthMm: number;
  readonly widthMm: number;
}

/**
 * A prismatic feature. `widthMm` is what has to be removed across the feed (pocket or slot width, stock on a side);
 * of a boss it is the boss' own width and `stockMm` what stands around it.
 */
export interface MillingFeature {
  readonly kind: MillingFeatureKind;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly depthMm: number;
  /** Internal corner radius; null where there is none. */
  readonly cornerRadiusMm: number | null;
  readonly island: Island | null;
  /** Stock on each side around a boss, mm; null for every other feature. */
  readonly stockMm: number | null;
  /** The floor is open below. */
  readonly through: boolean;
  /** Slope of the surface that is finished: 90 a vertical wall, 0 a floor, degrees. */
  readonly slopeDeg: number;
  /** Left on the wall for the finisher, mm; 0 when this cut finishes. */
  readonly allowanceMm: number;
  /** What the wall may be wrong by when this cut finishes it, mm. */
  readonly wallToleranceMm: number;
  /** Roughness the drawing asks for, Ra in µm; null where this cut does not make the surface. */
  readonly raUm: number | null;
  /** Height of the ridges that may stay between passes of a rounded cutter, mm; null where nobody asks. */
  readonly scallopMm: number | null;
  /** Ends of a slot that are open; absent where nobody said. */
  readonly openEnds?: 0 | 1 | 2;
  /** The groove goes under a wall or round a ring; absent of every other feature. */
  readonly undercut?: Undercut;
  /** What a finishing cut finds; absent of roughing and of cuts that make a face at once. */
  readonly finishing?: Finishing;
}

/** The rest of a feature when only its size is known. */
export const PLAIN_FEATURE = {
  island: null,
  stockMm: null,
  through: false,
  slopeDeg: 90,
  raUm: null,
  scallopMm: null,
} as const;
