export type CoolantKind = 'flood' | 'through-tool' | 'air' | 'mist' | 'dry';
export const COOLANT_KINDS: readonly CoolantKind[] = ['flood', 'through-tool', 'air', 'mist', 'dry'];

export type ForceLawId = 'kienzle' | 'linear-edge' | 'orthogonal';
export const FORCE_LAWS: readonly ForceLawId[] = ['kienzle', 'linear-edge', 'orthogonal'];

/** Cutter, holder and how far the cutter stands out of it. */
export interface Tooling {
  readonly cutterId: string;
  readonly holderId: string;
  /** From the holder's nose face to the tip, mm. */
  readonly stickOutMm: number;
}

/** What was measured here rather than taken from the library; null is not measured. */
export interface Measured {
  /** In the scale of the alloy's table. */
  readonly hardness: number | null;
  /** Total indicator reading at the tip, µm. */
  readonly runoutUm: number | null;
  /** Cutting speed that gave 30 minutes at the model's reference cut, from an own wear-measured trial, m/min. */
  readonly lifeSpeed30MMin: number | null;
  /** Specific cutting force kc1.1 identified from spindle power here, N/mm². */
  readonly kc11NMm2: number | null;
}

/** What the present speeds and feeds were worked out for; a mismatch means they were inherited. */
export interface WorkedOutFor {
  readonly alloyId: string;
  readonly cutterId: string;
  readonly hardness: number | null;
}

interface OperationBase {
  readonly alloyId: string;
  readonly machineId: string;
  readonly tooling: Tooling;
  readonly coolant: CoolantKind;
  readonly measured: Measured;
  /** Flank wear assumed for the forces, mm. */
  readonly flankWearMm: number;
  /** Features or holes one edge has to last before somebody looks at it. */
  readonly featuresPerEdge: number;
  /** Features or holes of this kind on one part. */
  readonly featuresPerPart: number;
  /** Edges of this cutter on the shelf; null is not counted. */
  readonly edgesOnShelf: number | null;
  readonly workedOutFor: WorkedOutFor;
  /** Parameters that must not move when another is edited. */
  readonly pins: readonly string[];
  readonly notes: string;
}

export type MillingFeatureKind = 'pocket' | 'slot' | 'side' | 'face';
export const MILLING_FEATURES: readonly MillingFeatureKind[] = ['pocket', 'slot', 'side', 'face'];

/** A prismatic feature. `widthMm` is what has to be removed across the feed: pocket or slot width, stock on a side. */
export interface MillingFeature {
  readonly kind: MillingFeatureKind;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly depthMm: number;
  /** Internal corner radius; null where there is none. */
  readonly cornerRadiusMm: number | null;
  /** Left on the wall for the finisher, mm; 0 when this cut finishes. */
  readonly allowanceMm: number;
  /** What the wall may be wrong by when this cut finishes it, mm. */
  readonly wallToleranceMm: number;
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
  readonly cut: MillingCut;
}

export interface Hole {
  readonly diameterMm: number;
  readonly depthMm: number;
  readonly through: boolean;
  /** Slope of the entry surface, degrees. */
  readonly entryAngleDeg: number;
  /** A pilot or spot at least as wide as the chisel edge is there. */
  readonly piloted: boolean;
}

export interface DrillingCut {
  readonly speedRpm: number;
  readonly feedPerRevMm: number;
  /** `plan` lets Burl choose the pecks; `none` drills in one pass; a number is an even peck in mm. */
  readonly peck: 'plan' | 'none' | number;
}

export interface DrillingOperation extends OperationBase {
  readonly kind: 'drilling';
  readonly hole: Hole;
  readonly cut: DrillingCut;
}

export type Operation = MillingOperation | DrillingOperation;
