import type { HoleRisk } from '../../judging/result.ts';
import { chanceAbove, chanceOfAny } from './break-chance.ts';
import { isDifficultToClear } from './difficult-chips.ts';
import type { HoleState } from './hole-state.ts';

/** Something that makes mishaps likelier, and by how much. */
export interface Circumstance {
  readonly factor: number;
  readonly because: string;
}

/**
 * Mishaps of one hole that no strength model sees (a chip that jams, a hard spot, a missed chamfer), and the share of
 * them that costs the part. Assumed; orders of magnitude a shop would recognise.
 */
export interface Mishap {
  readonly each: number;
  readonly loses: number;
}

/** Chance that one of `count` holes costs the part. */
export const chanceLost = (risk: HoleRisk | undefined, count: number): number =>
  risk ? risk.loses * (1 - (1 - risk.lot) * (1 - chanceOfAny(risk.each, count))) : 0;

/** What may go wrong: strength by its own band, handling by circumstances. */
export function riskOf(
  state: HoleState,
  { each, loses }: Mishap,
  circumstances: readonly Circumstance[] = [],
): HoleRisk {
  const list = isDifficultToClear(state.context)
    ? [{ factor: 2, because: 'chips of this alloy string and weld' }, ...circumstances]
    : circumstances;
  const mishap = Math.min(
    0.3,
    list.reduce((product, c) => product * c.factor, each),
  );
  const breaking = state.breaking ? chanceAbove(state.breaking) : 0;
  const because = list.map((c) => c.because);
  if (breaking > mishap) because.unshift('close to what breaks the tool');
  return { lot: breaking, each: mishap, loses, because };
}
