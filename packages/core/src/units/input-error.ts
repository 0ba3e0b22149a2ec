import { capital } from './capital.ts';
import { measure, say, type Sentence } from './sentence.ts';
import { formatField, type System, type Unit, UNITS } from './unit.ts';

/** What a number may be, in the core's unit; open above where `most` is missing or infinite. */
export interface AllowedRange {
  readonly least?: number;
  readonly most?: number;
  /** The number has to lie above this, not on it. */
  readonly above?: number;
  readonly unit: Unit;
}

/** One thing wrong with an input: which field, what was given, what is allowed. */
export interface InputProblem {
  readonly field: string;
  readonly value: unknown;
  /** In the core's units, for files and the API. */
  readonly allowed: string;
  /** The same as numbers, where it is a range: a page says it in its own units. */
  readonly range?: AllowedRange;
}

/** The range in the core's units, as files and the API name them. */
function rangeInFile({ least, most, above, unit }: AllowedRange): string {
  const { label } = UNITS[unit].metric;
  if (above !== undefined) return `above ${above} ${label}`.trim();
  const from = round(least ?? 0);
  return (
    most === undefined || !Number.isFinite(most)
      ? `${from} ${label} or more`
      : `${from} to ${round(most)} ${label}`
  ).trim();
}

/** Six figures: bounds that follow from others are read, not computed with. */
export const round = (value: number): number => Number(value.toPrecision(6));

export const outOfRange = (field: string, value: number, range: AllowedRange): InputProblem => ({
  field,
  value,
  allowed: rangeInFile(range),
  range,
});

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
  return capital(words);
}

/** The same for a page, where nobody knows the keys of a file: the field by name, value and range in the page's units. */
export function problemInWords(p: InputProblem, system: System): string {
  const field = fieldInWords(p.field);
  if (!p.range || typeof p.value !== 'number' || system === 'metric') return describeProblem({ ...p, field });
  const { least = 0, most = Infinity, above, unit } = p.range;
  const { label } = UNITS[unit][system];
  const say = (value: number) => formatField(value, unit, system);
  const open = Number.isFinite(most)
    ? `${say(least)} to ${say(most)} ${label}`
    : `${say(least)} ${label} or more`;
  const allowed = above === undefined ? open : `above ${say(above)} ${label}`;
  return `${field} is ${say(p.value) || p.value}; allowed: ${allowed.trim()}`;
}

/** The same as a sentence, for what is read in both systems. */
export function problemSentence(p: InputProblem): Sentence {
  const field = fieldInWords(p.field);
  if (!p.range || typeof p.value !== 'number') return say(describeProblem({ ...p, field }));
  const { least = 0, most = Infinity, above, unit } = p.range;
  const is = measure(p.value, unit);
  if (above !== undefined) return say(`${field} is {0}; allowed: above {1}`, is, measure(above, unit));
  return Number.isFinite(most)
    ? say(`${field} is {0}; allowed: {1} to {2}`, is, measure(least, unit), measure(most, unit))
    : say(`${field} is {0}; allowed: {1} or more`, is, measure(least, unit));
}

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
