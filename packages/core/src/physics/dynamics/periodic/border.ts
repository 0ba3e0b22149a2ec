import type { Growth } from './growth.ts';
import type { Slope } from './growth-slope.ts';

/** A border depth, mm, with what grows there and the change of ln |μ| with ln of the depth. */
export interface Border {
  readonly depthMm: number;
  readonly found: Growth;
  readonly known: Slope;
  /** Whether the secants got there; false where they ran from one multiplier to another. */
  readonly reached: boolean;
}

/** How far a step may go from a near border, as ln of the depth. */
const FURTHEST = 0.1;

/** Step from near a border to it, as ln of the depth. */
export const shortStep = ({ log }: Growth, { slope }: Slope): number =>
  Math.min(FURTHEST, Math.max(-FURTHEST, -log / slope));
