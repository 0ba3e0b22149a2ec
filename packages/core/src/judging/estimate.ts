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

/** Standard normal deviate of the 10 and 90% points. */
export const Z90 = 1.2815515655;

/** Log standard deviation of a library span whose ends are the 10 and 90% points. */
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

const weighted = (terms: readonly Term[], weight: number): readonly Term[] =>
  weight === 1 ? terms : terms.map((t) => ({ source: t.source, sensitivity: t.sensitivity * weight }));

/** Terms of two parts together; a source in both counts once. Nothing is copied where one part is exact: this is asked a lot. */
function gather(a: readonly Term[], ofA: number, b: readonly Term[], ofB: number): readonly Term[] {
  if (b.length === 0) return weighted(a, ofA);
  if (a.length === 0) return weighted(b, ofB);
  const terms = a.map((t) => ({ source: t.source, sensitivity: t.sensitivity * ofA }));
  for (const { source, sensitivity } of b) {
    const found = terms.find((t) => t.source.id === source.id);
    if (found) found.sensitivity += sensitivity * ofB;
    else terms.push({ source, sensitivity: sensitivity * ofB });
  }
  return terms;
}

/** Product of estimates. */
export function times(...factors: readonly Estimate[]): Estimate {
  let value = 1;
  let terms: readonly Term[] = [];
  for (const e of factors) {
    value *= e.value;
    terms = gather(terms, 1, e.terms, 1);
  }
  return { value, terms };
}

/** `a / b`. */
export const over = (a: Estimate, b: Estimate): Estimate => ({
  value: a.value / b.value,
  terms: gather(a.terms, 1, b.terms, -1),
});

/** Sum of estimates: sensitivities weighted by the share each part has in the sum. */
export function plus(...parts: readonly Estimate[]): Estimate {
  let value = 0;
  for (const e of parts) value += e.value;
  if (value === 0) return exact(0);
  let terms: readonly Term[] = [];
  for (const e of parts) terms = gather(terms, 1, e.terms, e.value / value);
  return { value, terms };
}

/** Adds a source with the sensitivity `∂ln y/∂ln x` found elsewhere. */
export const sensitiveTo = (e: Estimate, source: Source, sensitivity: number): Estimate => ({
  value: e.value,
  terms: gather(e.terms, 1, [{ source, sensitivity }], 1),
});

/** Log standard deviation of an estimate. */
export function sigmaOf(e: Estimate): number {
  let sum = 0;
  for (const t of e.terms) sum += (t.sensitivity * t.source.sigma) ** 2;
  return Math.sqrt(sum);
}

/** Middle, 10% and 90% point. */
export function bandOf(e: Estimate): { value: number; low: number; high: number; basis: string[] } {
  const spread = Math.exp(Z90 * sigmaOf(e));
  return {
    value: e.value,
    low: e.value / spread,
    high: e.value * spread,
    basis: e.terms.map((t) => t.source.id),
  };
}
