import type { HoleOperation } from './hole-operation.ts';
import type { OperationBase } from './operation-base.ts';

export * from './operation-base.ts';

export type ForceLawId = 'kienzle' | 'linear-edge' | 'orthogonal';
export const FORCE_LAWS: readonly ForceLawId[] = ['kienzle', 'linear-edge', 'orthogonal'];

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
}

export type StrategyId = 'levels' | 'constant-engagement' | 'trochoidal' | 'plunge' | 'high-feed';
export const STRATEGY_IDS: readonly StrategyId[] = [
  'levels',
  'constant-engagement',
  'trochoidal',
  'plunge',
  'high-feed',
];

export type EntryMethod = 'outside' | 'helix' | 'ramp' | 'plunge' | 'predrilled';
export const ENTRY_METHODS: readonly EntryMethod[] = ['outside', 'helix', 'ramp', 'plunge', 'predrilled'];

/** How the cutter gets down to depth. */
export interface Entry {
  readonly method: EntryMethod;
  /** Slope of ramp or helix on the centre's path, degrees; null takes the gentler of alloy and cutter. */
  readonly rampAngleDeg: number | null;
  /** Diameter of the hole a helix makes, mm; null takes the widest that fits and leaves no post. */
  readonly helixDiameterMm: number | null;
  /** Feed begins this far above the material, mm. */
  readonly startHeightMm: number;
  /** Each turn or ramp is this much narrower, degrees of taper for the chips. */
  readonly taperDeg: number;
}

/** The path the numbers of the cut run on. */
export interface ToolPath {
  readonly strategy: StrategyId;
  readonly entry: Entry;
  /** Smallest radius of the centre's path in an inside corner, mm; null goes as sharp into it as the corner lets. */
  readonly cornerPathRadiusMm: number | null;
  /** Radius of the arc that leads into the wall, mm; 0 goes straight in, null takes half the cutter. */
  readonly leadInRadiusMm: number | null;
  /** What the programmed path may be off by, mm. */
  readonly toleranceMm: number;
  /** Whether the program holds arcs or short lines in their place. */
  readonly blocks: 'arcs' | 'lines';
  /** Passes repeated without new stock. */
  readonly springPasses: number;
}

export type WorkholdingKind = 'vice' | 'clamps' | 'fixture' | 'vacuum' | 'adhesive';
export const WORKHOLDING_KINDS: readonly WorkholdingKind[] = [
  'vice',
  'clamps',
  'fixture',
  'vacuum',
  'adhesive',
];

export interface Workholding {
  readonly kind: WorkholdingKind;
  /** Declared holding force against sliding, N; null is not declared. */
  readonly capacityN: number | null;
  /** Declared holding force against lifting, N; null is not declared. */
  readonly liftCapacityN: number | null;
  /** Temperature of the joint at which the holding lets go, °C; null takes the usual one of the kind. */
  readonly releaseC: number | null;
}

export interface MillingCut {
  readonly speedRpm: number;
  readonly feedPerToothMm: number;
  readonly axialDepthMm: number;
  readonly radialEngagementMm: number;
  readonly direction: 'climb' | 'conventional';
}

export interface MillingOperation extends OperationBase {
  readonly kind: 'milling';
  readonly feature: MillingFeature;
  readonly workholding: Workholding;
  readonly forceLaw: ForceLawId;
  readonly path: ToolPath;
  readonly cut: MillingCut;
}

export type Operation = MillingOperation | HoleOperation;

/** The rest of a feature when only its size is known. */
export const PLAIN_FEATURE = {
  island: null,
  stockMm: null,
  through: false,
  slopeDeg: 90,
  raUm: null,
  scallopMm: null,
} as const;

/** The path one would begin with for a kind of feature. */
export const usualPath = (kind: MillingFeatureKind): ToolPath => ({
  strategy: kind === 'pocket' ? 'constant-engagement' : 'levels',
  entry: {
    method: kind === 'pocket' ? 'helix' : kind === 'slot' ? 'ramp' : 'outside',
    rampAngleDeg: null,
    helixDiameterMm: null,
    startHeightMm: 0.5,
    taperDeg: 0,
  },
  cornerPathRadiusMm: null,
  leadInRadiusMm: null,
  toleranceMm: 0.01,
  blocks: 'arcs',
  springPasses: 0,
});
