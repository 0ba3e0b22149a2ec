import type { PeckList } from '../../physics/holes/peck.ts';
import type { HoleBase } from '../hole-base.ts';

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

/** A drilled hole, a pilot or a spot. */
export interface DrillingOperation extends HoleBase {
  readonly kind: 'drilling';
  readonly role: DrillRole;
  /** Point angle of the drill that follows a spot or pilot, degrees; null where none follows. */
  readonly followedByDeg: number | null;
  readonly cut: DrillingCut;
}

declare module '../operation.ts' {
  interface OperationTypes {
    drilling: DrillingOperation;
  }
}
