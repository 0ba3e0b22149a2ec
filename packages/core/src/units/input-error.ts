/** One thing wrong with an input: which field, what was given, what is allowed. */
export interface InputProblem {
  readonly field: string;
  readonly value: unknown;
  readonly allowed: string;
}

/** Thrown for impossible input; carries every problem found, not only the first. */
export class InputError extends Error {
  readonly problems: readonly InputProblem[];

  constructor(problems: readonly InputProblem[]) {
    super(problems.map(describeProblem).join('; '));
    this.name = 'InputError';
    this.problems = problems;
  }
}

export const describeProblem = (p: InputProblem): string =>
  `${p.field} is ${p.value === undefined ? 'missing' : JSON.stringify(p.value)}; allowed: ${p.allowed}`;

/** Throws an InputError unless `low <= value <= high`. */
export function requireWithin(field: string, value: number, low: number, high: number): void {
  if (!(value >= low && value <= high)) {
    throw new InputError([{ field, value, allowed: `${low} to ${high}` }]);
  }
}

/** Throws an InputError unless the value is finite and above zero. */
export function requirePositive(field: string, value: number): void {
  if (!(value > 0 && Number.isFinite(value))) {
    throw new InputError([{ field, value, allowed: 'a number above 0' }]);
  }
}
