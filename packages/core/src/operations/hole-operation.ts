import type { Hole, ThreadForm } from '../physics/holes/hole.ts';
import type { PeckList } from '../physics/holes/peck.ts';
import type { OperationBase } from './operation-base.ts';

export const DRILL_ROLES = ['drill', 'pilot', 'spot'] as const;
/** What a drill is there for: the hole, a guide for the next drill, or a mark and chamfer for it. */
export type DrillRole = (typeof DRILL_ROLES)[number];

export interface DrillingCut {
  readonly speedRpm: number;
  readonly feedPerRevMm: number;
  /** `plan` lets Burl choose the pecks; `none` drills in one pass; a number is an even peck in mm; or a list. */
  readonly peck: 'plan' | 'none' | number | PeckList;
  /** Feed over the last stretch before it breaks through, as a share of the feed. */
  readonly breakthroughFeed: number;
}

interface HoleBase extends OperationBase {
  readonly hole: Hole;
}

export interface DrillingOperation extends HoleBase {
  readonly kind: 'drilling';
  readonly role: DrillRole;
  /** Point angle of the drill that follows a spot or pilot, degrees; null where none follows. */
  readonly followedByDeg: number | null;
  readonly cut: DrillingCut;
}

export interface ReamingOperation extends HoleBase {
  readonly kind: 'reaming';
  readonly cut: {
    readonly speedRpm: number;
    readonly feedPerRevMm: number;
    /** Feed on the way out over the feed in. */
    readonly outFeed: number;
  };
}

export interface BoringOperation extends HoleBase {
  readonly kind: 'boring';
  readonly cut: {
    readonly speedRpm: number;
    readonly feedPerRevMm: number;
    /** Passes the allowance is divided into. */
    readonly passes: number;
    readonly springPasses: number;
  };
}

/** A hole milled on a helix by an end mill. */
export interface HoleMillingOperation extends HoleBase {
  readonly kind: 'hole-milling';
  readonly cut: {
    readonly speedRpm: number;
    /** Where the edge cuts the wall, mm. */
    readonly feedPerToothMm: number;
    /** Depth gained in one turn of the helix, mm. */
    readonly pitchMm: number;
    /** Helices from the middle outwards. */
    readonly stepovers: number;
    readonly springPasses: number;
    /** How far the corner goes past the floor of a through hole, mm. */
    readonly pastFloorMm: number;
  };
}

/** An edge broken by a chamfer mill running round the hole. */
export interface ChamferingOperation extends HoleBase {
  readonly kind: 'chamfering';
  readonly cut: {
    readonly speedRpm: number;
    readonly feedPerToothMm: number;
    /** Width of the chamfer, mm. */
    readonly widthMm: number;
  };
}

export interface TappingOperation extends HoleBase {
  readonly kind: 'tapping';
  readonly thread: ThreadForm;
  readonly cut: {
    readonly speedRpm: number;
    /** Feed and speed coupled by the control. */
    readonly synchronous: boolean;
  };
}

export interface ThreadMillingOperation extends HoleBase {
  readonly kind: 'thread-milling';
  readonly thread: ThreadForm;
  readonly cut: {
    readonly speedRpm: number;
    /** Where the edge cuts the major diameter, mm. */
    readonly feedPerToothMm: number;
    /** Radial passes that make the depth. */
    readonly passes: number;
    readonly springPasses: number;
  };
}

export type HoleOperation =
  | DrillingOperation
  | ReamingOperation
  | BoringOperation
  | HoleMillingOperation
  | ChamferingOperation
  | TappingOperation
  | ThreadMillingOperation;

export const HOLE_KINDS = [
  'drilling',
  'reaming',
  'boring',
  'hole-milling',
  'chamfering',
  'tapping',
  'thread-milling',
] as const satisfies readonly HoleOperation['kind'][];
export type HoleKind = (typeof HOLE_KINDS)[number];

/** Feeds down its axis; what is fed per tooth runs along or round instead. */
export const feedsDown = ({ cut }: { readonly cut: object }): boolean => !('feedPerToothMm' in cut);

export const hasThread = (op: object): op is TappingOperation | ThreadMillingOperation => 'thread' in op;

/** Is the operation a step of a hole? */
export const isHole = <T extends { readonly kind: string }>(op: T): op is Extract<T, HoleOperation> =>
  'hole' in op;
