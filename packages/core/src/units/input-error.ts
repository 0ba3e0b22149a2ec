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

/** Units and marks at the end of a field's key: they stand with the numbers, not in its name. */
const TAIL = /(?<=[a-z0-9])(NMm2|MMin|Mm|Um|Rpm|Deg|Bar|N|C|Id)$/;

/** A field as a person knows it: `cut.axialDepthMm` is the axial depth. What stands in a list is named by the list. */
export function fieldInWords(field: string): string {
  const key = field.split('.').findLast((part) => !/^\d+$/.test(part)) ?? field;
  const words = key.replace(TAIL, '').replace(/(?<=[a-z0-9])[A-Z](?=[a-z])/g, (c) => ` ${c.toLowerCase()}`);
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** The same for a page, where nobody knows the keys of a file. */
export const problemInWords = (p: InputProblem): string =>
  describeProblem({ ...p, field: fieldInWords(p.field) });

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
