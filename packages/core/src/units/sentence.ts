import { formatMeasure, type System, type Unit } from './unit.ts';

export interface Measure {
  readonly value: number;
  readonly unit: Unit;
}

/** A sentence whose numbers stay numbers until it is known whether metric or inch is wanted. */
export interface Sentence {
  /** Text with `{0}`, `{1}` … where the measures go. */
  readonly text: string;
  readonly measures: readonly Measure[];
}

export const say = (text: string, ...measures: readonly Measure[]): Sentence => ({ text, measures });

export const measure = (value: number, unit: Unit): Measure => ({ value, unit });

/** The sentence as read by a person. */
export const speak = (sentence: Sentence, system: System): string =>
  sentence.text.replace(/\{(\d+)\}/g, (whole, index: string) => {
    const m = sentence.measures[Number(index)];
    return m ? formatMeasure(m.value, m.unit, system) : whole;
  });
