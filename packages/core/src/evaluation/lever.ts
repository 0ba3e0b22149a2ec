import type { Operation } from '../domain/operation.ts';
import type { Unit } from '../units/unit.ts';

/** A thing that can be moved: reads and writes one number of the operation. */
export interface Lever {
  readonly id: string;
  readonly unit: Unit;
  readonly label: string;
  readonly low: number;
  readonly high: number;
  /** Values are rounded to this step, towards the safe side. */
  readonly step: number;
  read(op: Operation): number;
  write(op: Operation, value: number): Operation;
}
