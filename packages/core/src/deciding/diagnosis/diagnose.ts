import type { DiagnosisCase } from './case.ts';
import { CAUSES, type Clue } from './causes.ts';

/** A cause with its chance, what speaks for and against it, and the look that would tell. */
export interface Suspect {
  readonly id: string;
  readonly name: string;
  readonly chance: number;
  /** For it, strongest first. */
  readonly because: readonly string[];
  readonly against: readonly string[];
  readonly test: string;
}

/** Every cause with the odds of all clues on it. */
const weighed = (at: DiagnosisCase) =>
  CAUSES.map((cause) => {
    const clues = cause.clues(at).filter((c): c is Clue => c !== false);
    return { cause, clues, weight: clues.reduce((w, c) => w * c.odds, cause.usual) };
  });

/** The odds alone, by cause in the order of the list: what a question would move. */
export const oddsOf = (at: DiagnosisCase): readonly number[] => weighed(at).map((w) => w.weight);

/**
 * What ended an edge: each cause weighed by how often it is behind such an edge and by what speaks for and against it here (odds of
 * independent clues, Good 1950). Likeliest first; chances sum to one.
 */
export function diagnose(at: DiagnosisCase): Suspect[] {
  const all = weighed(at);
  const total = all.reduce((s, w) => s + w.weight, 0);
  return all
    .map(({ cause: { id, name, test }, clues, weight }) => {
      const strongest = [...clues].sort((a, b) => b.odds - a.odds);
      return {
        id,
        name,
        chance: weight / total,
        because: strongest.filter((c) => c.odds > 1).map((c) => c.because),
        against: strongest
          .filter((c) => c.odds < 1)
          .reverse()
          .map((c) => c.because),
        test,
      };
    })
    .sort((a, b) => b.chance - a.chance);
}
