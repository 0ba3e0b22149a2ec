import type { Entry } from '../../physics/path/entry.ts';
import type { MillingFeature, MillingFeatureKind } from '../../physics/path/feature.ts';
import type { FaceSetup } from './face-setup.ts';
import type { OperationBase } from '../operation-base.ts';

export type ForceLawId = 'kienzle' | 'linear-edge' | 'orthogonal';
export const FORCE_LAWS: readonly ForceLawId[] = ['kienzle', 'linear-edge', 'orthogonal'];

export type StrategyId =
  'levels' | 'constant-engagement' | 'trochoidal' | 'plunge' | 'high-feed' | 'slot-then-widen';
export const STRATEGY_IDS: readonly StrategyId[] = [
  'levels',
  'constant-engagement',
  'trochoidal',
  'plunge',
  'high-feed',
  'slot-then-widen',
];

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
  /** Holding force against sliding, N; null is not declared. */
  readonly capacityN: number | null;
  /** Holding force against lifting, N; null is not declared. */
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

/** Milling of a pocket, slot, side, boss or face. */
export interface MillingOperation extends OperationBase {
  readonly kind: 'milling';
  readonly feature: MillingFeature;
  readonly workholding: Workholding;
  readonly forceLaw: ForceLawId;
  readonly path: ToolPath;
  readonly cut: MillingCut;
  /** Of a face: how inserts stand and the spindle leans; absent is trammed, inserts as recorded. */
  readonly face?: FaceSetup;
}

/** A cut before its numbers are worked out. */
export const BLANK_CUT: MillingCut = {
  speedRpm: 1000,
  feedPerToothMm: 0.05,
  axialDepthMm: 1,
  radialEngagementMm: 1,
  direction: 'climb',
};

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

declare module '../operation.ts' {
  interface OperationTypes {
    milling: MillingOperation;
  }
}
