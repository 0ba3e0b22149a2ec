import type { PartSupport } from './held-part.ts';

/** Which of the two turns where a lathe mills or drills: its driven tool, or the part with the tool on its axis. */
export const TURNING_SIDES = ['tool', 'part'] as const;
export type TurningSide = (typeof TURNING_SIDES)[number];

/** A part that is milled or drilled where it was turned: it stands out of the jaws. Lengths in mm. */
export interface InLathe {
  readonly turns: TurningSide;
  /** Diameter of the part where it stands out, and its bore. */
  readonly diameterMm: number;
  readonly boreMm: number;
  /** From the jaws to where it is cut. */
  readonly overhangMm: number;
  readonly support: PartSupport;
}

/** A part one would begin with. */
export const PLAIN_IN_LATHE: InLathe = {
  turns: 'tool',
  diameterMm: 50,
  boreMm: 0,
  overhangMm: 60,
  support: 'chuck',
};
