export type EntryMethod = 'outside' | 'helix' | 'ramp' | 'plunge' | 'predrilled';
export const ENTRY_METHODS: readonly EntryMethod[] = ['outside', 'helix', 'ramp', 'plunge', 'predrilled'];

/** How the cutter gets down to depth. */
export interface Entry {
  readonly method: EntryMethod;
  /** Slope of ramp or helix on the centre's path, degrees; null takes the gentler of alloy and cutter. */
  readonly rampAngleDeg: number | null;
  /** Diameter of the hole a helix makes, mm; null takes the widest that fits and leaves no core. */
  readonly helixDiameterMm: number | null;
  /** Feed begins this far above the material, mm. */
  readonly startHeightMm: number;
  /** Each turn or ramp is this much narrower, degrees of taper for the chips. */
  readonly taperDeg: number;
}
