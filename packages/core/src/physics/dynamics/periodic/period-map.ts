import type { ChatterCut } from '../chatter-cut.ts';
import type { FreeModes } from './free-motion.ts';
import { hold } from './held-frame.ts';
import { kernel } from '../../../numerics/kernel.ts';
import { type PeriodFrame, periodFrame } from './period-frame.ts';
import { FINE, type Resolution } from './resolution.ts';

/**
 * The motion of one period mapped to the next: a linear operator, applied without ever being written out. A vector is the
 * modes' state at the start of the period, and then the tip's motion at the nodes of each piece, direction by direction.
 */
export interface PeriodMap extends PeriodFrame {
  readonly frame: PeriodFrame;
  readonly depthM: number;
  /** Numbers of a vector. */
  readonly size: number;
}

/**
 * The map of a cut over one period at a speed and a depth.
 *
 * The tip's motion is known at Chebyshev nodes of the pieces in which a tooth cuts; between them it flies free, exactly.
 * In a piece the force is a polynomial through its nodes and the structure's answer to it exact, so a piece may hold
 * more than a wave, and modes quicker than the nodes can follow need no pieces of their own. Pieces end where a tooth enters or leaves. Delay equation as in Insperger & Stépán 2004; spectral
 * segments after Bayly et al. 2003 and Totis et al. 2014. Throws on an impossible cut.
 */
export const periodMap = (
  cut: ChatterCut,
  modes: FreeModes,
  rpm: number,
  depthMm: number,
  resolution: Resolution = FINE,
): PeriodMap => mapAt(periodFrame(cut, modes, rpm, depthMm, resolution), depthMm);

/** The map of a frame at a depth, mm: the one it was made for, or any where the cut does not feel it. */
export const mapAt = (frame: PeriodFrame, depthMm: number): PeriodMap => ({
  ...frame,
  frame,
  depthM: depthMm / 1000,
  size: frame.state + frame.nodes * frame.directions.length,
});

/** What a map makes of a vector, and the cutting forces at the nodes, N, in the order of the motion. */
export function applied(
  { frame, depthM, size, state }: PeriodMap,
  vector: Float64Array,
): { readonly to: Float64Array; readonly forces: Float64Array } {
  const k = kernel();
  const { place, beside } = hold(frame, depthM);
  k.backTo(beside);
  const from = k.lay(vector);
  const to = k.room(size);
  const forces = k.room(size - state);
  k.run.apply(place, depthM, from, to, forces);
  return { to: k.at(to, size).slice(), forces: k.at(forces, size - state).slice() };
}
