export type UndercutForm = 'wall' | 't-slot' | 'dovetail' | 'face-ring';
export const UNDERCUT_FORMS: readonly UndercutForm[] = ['wall', 't-slot', 'dovetail', 'face-ring'];

/**
 * A groove wider at its bottom than at its mouth, or one in a wall or around a face, lengths in mm. The feature's width is how far it
 * goes under or into the wall on a side (of a ring in a face its own width), the feature's depth its height along the axis.
 */
export interface Undercut {
  readonly form: UndercutForm;
  /** Width of the slot above a T-slot or a dovetail; null of the others. */
  readonly throatMm: number | null;
  /** From the face the tool comes from down to the groove's lower wall. */
  readonly floorMm: number;
  /** Mean diameter of a ring, or of the bore or boss the groove goes round; null is straight. */
  readonly ringMm: number | null;
  /** Of a ring in a wall: the wall is a bore's. */
  readonly inside: boolean;
  /** Narrowest place the head goes through on its way in; null comes from an open end or the side. */
  readonly openingMm: number | null;
}

/** A groove into a wall when only its size is known. */
export const PLAIN_UNDERCUT: Undercut = {
  form: 'wall',
  throatMm: null,
  floorMm: 10,
  ringMm: null,
  inside: false,
  openingMm: null,
};

/** How far a cutter may be under the full width and still make both sides at once, mm. */
const SAME_WIDTH = 0.05;

/** It goes under on both sides of a slot. */
export const undercutsBoth = (undercut: Undercut | undefined): boolean =>
  undercut?.form === 't-slot' || undercut?.form === 'dovetail';

/** Sides a cutter of a diameter is in at once: both under a slot it just fills. */
export function sidesAtOnce(undercut: Undercut | undefined, perSideMm: number, cutterMm: number): 1 | 2 {
  if (!undercut || !undercutsBoth(undercut) || undercut.throatMm === null) return 1;
  return cutterMm >= undercut.throatMm + 2 * perSideMm - SAME_WIDTH ? 2 : 1;
}

/** Times the cutter runs along: twice where it makes one side of two. */
export const runsAlong = (undercut: Undercut | undefined, perSideMm: number, cutterMm: number): number =>
  undercut && undercutsBoth(undercut) ? 2 / sidesAtOnce(undercut, perSideMm, cutterMm) : 1;

/** Feed of the axis over that of the edge at the wall on a ring: slower inside a bore, faster round a boss. */
export function axisOverEdge(undercut: Undercut | undefined, cutterMm: number): number {
  if (!undercut?.ringMm || undercut.form === 'face-ring') return 1;
  const ring = undercut.ringMm;
  return undercut.inside ? Math.max(0.02, (ring - cutterMm) / ring) : (ring + cutterMm) / ring;
}
