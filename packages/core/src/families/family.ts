import type { Cutter } from '../crib/cutter.ts';
import { InputError, type InputProblem } from '../units/input-error.ts';
import { measure, type Sentence } from '../units/sentence.ts';
import type { Unit } from '../units/unit.ts';

/** Numbers and choices of a tool, by the key of their field. */
export type Given = Readonly<Record<string, number | string>>;

export interface NumberField {
  readonly key: string;
  readonly label: string;
  readonly unit: Unit;
  readonly least: number;
  readonly most: number;
  readonly whole?: true;
  /** What it is where nobody says, from the fields before it. */
  readonly usual: (given: Given) => number;
  /** How that follows, in a few words; absent where it is only a beginning. */
  readonly rule?: string;
}

export interface ChoiceField {
  readonly key: string;
  readonly label: string;
  readonly options: readonly { readonly value: string; readonly label: string }[];
}

/** One value that follows from what was given, and the rule it follows by. */
export interface Followed {
  readonly what: string;
  readonly value: Sentence;
  readonly rule: string;
}

export interface Built {
  readonly cutter: Cutter;
  readonly followed: readonly Followed[];
}

/** What is asked before something can be made. */
export interface Form {
  readonly choices: readonly ChoiceField[];
  readonly fields: readonly NumberField[];
}

/** Tools that follow from a few numbers. */
export interface CutterFamily extends Form {
  readonly id: string;
  readonly name: string;
  /** The tool of a complete set of numbers. */
  readonly build: (given: Given) => Built;
}

export const num = (given: Given, key: string): number => Number(given[key]);
/** Several numbers at once, in the order of their keys. */
export const nums = <const K extends readonly string[]>(
  given: Given,
  ...keys: K
): { [I in keyof K]: number } => keys.map((k) => num(given, k)) as { [I in keyof K]: number };
export const word = (given: Given, key: string): string => String(given[key]);

export const follows = (what: string, value: number, unit: Unit, rule: string): Followed => ({
  what,
  value: { text: '{0}', measures: [measure(value, unit)] },
  rule,
});

/** What each field is where nobody says, from what was typed in those before it; brought into its range. */
export function usualNumbers({ choices, fields }: Form, typed: Given): Given {
  const all: Record<string, number | string> = {};
  for (const { key, options } of choices) all[key] = typed[key] ?? options[0]!.value;
  const usual: Record<string, number> = {};
  for (const { key, least, most, usual: by } of fields) {
    usual[key] = Math.min(most, Math.max(least, tidy(by(all))));
    all[key] = typed[key] ?? usual[key];
  }
  return usual;
}

/** What was typed, with the usual numbers for what was not. Throws an InputError by field: only what somebody typed can be wrong. */
export function completed(form: Form, typed: Given): Given {
  const problems: InputProblem[] = [];
  const usual = usualNumbers(form, typed);
  const all: Record<string, number | string> = {};
  for (const { key, options } of form.choices) {
    const chosen = typed[key] ?? options[0]!.value;
    if (!options.some((o) => o.value === chosen))
      problems.push({ field: key, value: chosen, allowed: options.map((o) => o.value).join(', ') });
    all[key] = chosen;
  }
  for (const { key, least, most, whole } of form.fields) {
    const value = typed[key] ?? usual[key]!;
    const allowed = `${whole ? 'a whole number ' : ''}${least} to ${most}`;
    if (
      typeof value !== 'number' ||
      !(value >= least && value <= most) ||
      (whole && !Number.isInteger(value))
    )
      problems.push({ field: key, value, allowed });
    all[key] = value;
  }
  if (problems.length > 0) throw new InputError(problems);
  return all;
}

/** A tool of the family. Throws an InputError naming the field that cannot be. */
export const ofFamily = (family: CutterFamily, typed: Given): Built => family.build(completed(family, typed));

/** Two digits after the point: what a drawing of a tool states. */
export const tidy = (value: number): number => Number(value.toFixed(2));
