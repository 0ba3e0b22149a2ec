import type { InputProblem } from '../units/input-error.ts';
import { UNITS } from '../units/unit.ts';
import type { Movable } from './movable.ts';
import type { Operation } from './operation.ts';

/** Collects what is wrong; names are the fields' paths in the operation. */
export class Inspection {
  readonly problems: InputProblem[] = [];

  within(field: string, value: number, low: number, high: number, unit: string): void {
    // A range that itself follows from an impossible number is that number's problem.
    if (Number.isNaN(low) || Number.isNaN(high)) return;
    if (!(value >= low && value <= high)) {
      const allowed = Number.isFinite(high)
        ? `${round(low)} to ${round(high)} ${unit}`
        : `${round(low)} ${unit} or more`;
      this.problems.push({ field, value, allowed: allowed.trim() });
    }
  }

  /** A number that can be moved, held against what it may be at all. */
  number(m: Movable, op: Operation): void {
    const value = m.read(op);
    const unit = UNITS[m.unit].metric.label;
    if (m.above) this.above(m.field, value, unit);
    this.within(m.field, value, m.least, m.most, unit);
  }

  above(field: string, value: number, unit: string): void {
    if (!(value > 0 && Number.isFinite(value)))
      this.problems.push({ field, value, allowed: `above 0 ${unit}`.trim() });
  }

  measured(field: string, value: number | null, low: number, high: number, unit: string): void {
    if (value !== null) this.within(field, value, low, high, unit);
  }

  say(field: string, value: unknown, allowed: string): void {
    this.problems.push({ field, value, allowed });
  }
}

/** Six figures: bounds that follow from others are read, not computed with. */
export const round = (value: number): number => Number(value.toPrecision(6));
