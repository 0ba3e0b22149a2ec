import type { EdgeBand } from './edge-profile.ts';

/** A cutter as it stands: every tooth with its own place, helix and height. */
export interface ToothedEdge {
  readonly bands: readonly EdgeBand[];
  /** Angle from each tooth to the one that cut just before it at the tip, rad; sums to one turn. */
  readonly pitch: readonly number[];
  /** Helix of each tooth, rad. */
  readonly helix: readonly number[];
  /** Feed per tooth averaged over the teeth, mm. */
  readonly feedPerToothMm: number;
  /** How far each tooth stands off the mean radius, mm; zero without runout. */
  readonly standMm: readonly number[];
}
