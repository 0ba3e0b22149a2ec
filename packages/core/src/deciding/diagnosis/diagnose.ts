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

/**
 * What ended an edge: each cause weighed by how often it is behind such an edge and by what speaks for and against it here (odds of
 * independent clues, Good 1950). Likeliest first; chances sum to one.
 */
export function diagnose(at: DiagnosisCase): Suspect[] {
  const weighed = CAUSES.map((cause) => {
    const clues = cause.clues(at).filter((c): c is Clue => c !== false);
    const weight = clues.reduce((w, c) => w * c.odds, cause.usual);
    const strongest = [...clues].sort((a, b) => b.odds - a.odds);
    return {
      cause,
      weight,
      because: strongest.filter((c) => c.odds > 1).map((c) => c.because),
      against: strongest
        .filter((c) => c.odds < 1)
        .reverse()
        .map((c) => c.because),
    };
  });
  const total = weighed.reduce((s, w) => s + w.weight, 0);
  return weighed
    .map(({ cause: { id, name, test }, weight, because, against }) => ({
      id,
      name,
      chance: weight / total,
      because,
      against,
      test,
    }))
    .sort((a, b) => b.chance - a.chance);
}
