import { modeHeardAt } from '../along-tool.ts';
import { type ChatterCut, isUniform } from '../chatter-cut.ts';
import type { TipStructure } from '../tip-structure.ts';

/** From tooth to tooth in cuts whose vibration hardly dies between two, what its decay adds, and the most: measured over many cuts. */
const SHORT_DELAY = 0.25;
const PER_NEPER = 0.25;
const LONG_DELAY = 1.1;

/**
 * Change of ln |μ| with ln of the depth to be expected at a border heard at `hz`, within a factor of three. Where a vibration dies between
 * two teeth, only what it left on the surface hands it on, and that grows with the depth; where it does not, it feels the cut less.
 */
export function expectedSlope(cut: ChatterCut, structure: TipStructure, rpm: number, hz: number): number {
  const teeth = cut.pitch.length;
  const delay = 60 / (rpm * teeth);
  const nepers = 2 * Math.PI * hz * delay * (modeHeardAt(structure, hz)?.damping ?? 0);
  const perTooth = Math.min(LONG_DELAY, SHORT_DELAY + PER_NEPER * nepers);
  return isUniform(cut) ? perTooth : perTooth * teeth;
}
