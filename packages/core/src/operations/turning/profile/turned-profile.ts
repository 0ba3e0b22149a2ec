/** What a profile is made of: a cylinder after a shoulder, a cone, an arc. */
export const PROFILE_KINDS = ['step', 'cone', 'arc'] as const;
export type ProfileKind = (typeof PROFILE_KINDS)[number];

/** Which way an arc bends: its material bulges out, or is hollow. */
export const ARC_SIDES = ['bulging', 'hollow'] as const;
export type ArcSide = (typeof ARC_SIDES)[number];

/** A piece of a profile. Lengths in mm, along the axis; of a step 0 is a shoulder alone. */
export interface ProfileElement {
  readonly kind: ProfileKind;
  /** Diameter at its end towards the jaws; of a step all along. */
  readonly toMm: number;
  readonly lengthMm: number;
  /** Of an arc. */
  readonly radiusMm: number | null;
  readonly side: ArcSide;
}

/** A profile from the free end of the part towards the jaws. */
export interface TurnedProfile {
  /** Diameter at the free end, where a cone or an arc comes first. */
  readonly startMm: number;
  readonly elements: readonly ProfileElement[];
  /** Even allowance a cut before left on it, on the radius; null: cut from the full diameter. */
  readonly skinMm: number | null;
  /** Radius allowed in its inner corners; null where the nose's own does. */
  readonly cornerMm: number | null;
}

/** A piece one would add. */
export const PLAIN_ELEMENT: ProfileElement = {
  kind: 'step',
  toMm: 30,
  lengthMm: 20,
  radiusMm: null,
  side: 'bulging',
};

/** Most pieces of one profile: what a person can still read. */
export const MOST_ELEMENTS = 60;
