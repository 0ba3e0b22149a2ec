import type { Machine } from '../../crib/machine.ts';
import type { Operation } from '../operation.ts';
import { type Movable, movable, numberAt } from '../movable.ts';

/** The cap on the spindle: under the speed of the largest diameter it is no cap but another speed. */
export const capMovable = (
  { cut }: { readonly cut: { readonly capRpm: number; readonly speedRpm: number } },
  machine: Machine,
): Movable =>
  movable(
    { key: 'cap', name: 'Spindle cap', unit: 'rpm', at: numberAt('cut.capRpm') },
    {
      least: 1,
      most: 500_000,
      low: Math.min(cut.capRpm, 10 * Math.ceil(cut.speedRpm / 10)),
      high: machine.max_rpm,
      step: 10,
    },
  );

/** How far the part stands out of the jaws: no less than what is cut. */
export function overhangMovable(op: Operation, path: string, leastMm: number): Movable {
  const at = numberAt(path);
  return movable(
    { key: 'overhang', name: 'Part overhang', unit: 'mm', at, verbs: ['Lengthen', 'Shorten'] },
    {
      least: Math.max(0.5, leastMm),
      most: 5000,
      low: Math.max(1, leastMm),
      high: Math.max(at.read(op), leastMm),
      step: 0.5,
    },
  );
}
