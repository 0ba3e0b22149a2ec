import { type AllowedRange, type InputProblem, outOfRange } from '../units/input-error.ts';
import type { Unit } from '../units/unit.ts';
import type { Movable } from './movable.ts';
import type { Operation } from './operation.ts';

/** Collects what is wrong; names are the fields' paths in the operation. */
export class Inspection {
  readonly problems: InputProblem[] = [];

  within(field: string, value: number, least: number, most: number, unit: Unit): void {
    // A range that itself follows from an impossible number is that number's problem.
    if (Number.isNaN(least) || Number.isNaN(most)) return;
    if (!(value >= least && value <= most)) this.outside(field, value, { least, most, unit });
  }

  /** A number that can be moved, held against what it may be at all. */
  number(m: Movable, op: Operation): void {
    const value = m.read(op);
    if (m.above) this.above(m.field, value, m.unit);
    this.within(m.field, value, m.least, m.most, m.unit);
  }

  above(field: string, value: number, unit: Unit): void {
    if (!(value > 0 && Number.isFinite(value))) this.outside(field, value, { above: 0, unit });
  }

  measured(field: string, value: number | null, least: number, most: number, unit: Unit): void {
    if (value !== null) this.within(field, value, least, most, unit);
  }

  say(field: string, value: unknown, allowed: string): void {
    this.problems.push({ field, value, allowed });
  }

  private outside(field: string, value: number, range: AllowedRange): void {
    this.problems.push(outOfRange(field, value, range));
  }
}
