/**
 * First-order propagation of uncertainty in logarithms.
 *
 * An estimate is a value and, for every uncertain source it rests on, how many per cent it moves when the
 * source moves one per cent. Products add those sensitivities, so a source that enters twice (kc in force and
 * in bending) is counted as fully correlated and not as two independent errors.
 * Source: JCGM 100:2008 (GUM), 5.1, applied to ln y.
 */
export type SourceKind = 'measured' | 'library' | 'assumed' | 'model';

export interface Source {
  readonly id: string;
  readonly label: string;
  readonly kind: SourceKind;
  /** Standard deviation of the natural logarithm. */
  readonly sigma: number;
  /** What would narrow it. */
  readonly narrowBy: string;
}

export interface Term {
  readonly source: Source;
  readonly sensitivity: number;
}

export interface Estimate {
  readonly value: number;
  readonly terms: readonly Term[];
}

/** Standard normal deviate of the 10 and 90 % points. */
export const Z90 = 1.2815515655;

/** Log standard deviation of a library span whose ends are the 10 and 90 % points. */
export const sigmaOfSpan = (low: number, high: number): number => Math.log(high / low) / (2 * Z90);

export const exact = (value: number): Estimate => ({ value, terms: [] });

export const uncertain = (value: number, ...sources: readonly Source[]): Estimate => ({
  value,
  terms: sources.map((source) => ({ source, sensitivity: 1 })),
});

/** `factor · e`, the factor being exact. */
export const scale = (e: Estimate, factor: number): Estimate => ({ value: e.value * factor, terms: e.terms });

/** `e^exponent`. */
export const power = (e: Estimate, exponent: number): Estimate => ({
  value: e.value ** exponent,
  terms: e.terms.map((t) => ({ source: t.source, sensitivity: t.sensitivity * exponent })),
});

function gather(parts: readonly (readonly [Estimate, number])[]): Term[] {
  const terms: { source: Source; sensitivity: number }[] = [];
  for (const [e, weight] of parts) {
    for (const term of e.terms) {
      const found = terms.find((t) => t.source.id === term.source.id);
      if (found) found.sensitivity += term.sensitivity * weight;
      else terms.push({ source: term.source, sensitivity: term.sensitivity * weight });
    }
  }
  return terms;
}

/** Product of estimates. */
export const times = (...factors: readonly Estimate[]): Estimate => ({
  value: factors.reduce((product, e) => product * e.value, 1),
  terms: gather(factors.map((e) => [e, 1])),
});

/** `a / b`. */
export const over = (a: Estimate, b: Estimate): Estimate => times(a, power(b, -1));

/** Sum of estimates: sensitivities weighted by the share each part has in the sum. */
export function plus(...parts: readonly Estimate[]): Estimate {
  const value = parts.reduce((sum, e) => sum + e.value, 0);
  if (value === 0) return exact(0);
  return { value, terms: gather(parts.map((e) => [e, e.value / value])) };
}

/** Adds a source with the sensitivity `∂ln y/∂ln x` found elsewhere. */
export const sensitiveTo = (e: Estimate, source: Source, sensitivity: number): Estimate => ({
  value: e.value,
  terms: gather([
    [e, 1],
    [{ value: 1, terms: [{ source, sensitivity }] }, 1],
  ]),
});

/** Log standard deviation of an estimate. */
export const sigmaOf = (e: Estimate): number =>
  Math.sqrt(e.terms.reduce((sum, t) => sum + (t.sensitivity * t.source.sigma) ** 2, 0));

/** Middle, 10 % and 90 % point. */
export function bandOf(e: Estimate): { value: number; low: number; high: number; basis: string[] } {
  const spread = Math.exp(Z90 * sigmaOf(e));
  return {
    value: e.value,
    low: e.value / spread,
    high: e.value * spread,
    basis: e.terms.map((t) => t.source.id),
  };
}
