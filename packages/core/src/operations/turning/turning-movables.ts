import type { OperationContext } from '../context.ts';
import { feedMovable } from '../holes/hole-movables.ts';
import { type Movable, movable, numberAt } from '../movable.ts';
import { withPartSpindle } from './lathe-spindle.ts';
import type { TurningOperation } from './turning-operation.ts';

/** What can be moved in a turned stretch: feed, depth, the cap on the spindle, how far the part stands out. */
export function turningMovables(op: TurningOperation, { cutter, machine }: OperationContext): Movable[] {
  const { stretch: s } = op;
  const edge = cutter.properties.APMX ?? 5;
  const fastest = withPartSpindle(machine).max_rpm;
  return [
    ...feedMovable(op),
    movable(
      {
        key: 'ap',
        name: 'Depth of cut',
        unit: 'mm',
        at: numberAt('cut.depthMm'),
        heldBy: ['ap'],
        ofTheCut: true,
      },
      { least: 0, above: true, most: 50, low: 0.1, high: edge, step: 0.05 },
    ),
    movable(
      { key: 'cap', name: 'Spindle cap', unit: 'rpm', at: numberAt('cut.capRpm') },
      // A cap under the speed of the largest diameter is no cap but another speed.
      {
        least: 1,
        most: 500_000,
        low: Math.min(op.cut.capRpm, 10 * Math.ceil(op.cut.speedRpm / 10)),
        high: fastest,
        step: 10,
      },
    ),
    movable(
      {
        key: 'overhang',
        name: 'Part overhang',
        unit: 'mm',
        at: numberAt('stretch.overhangMm'),
        verbs: ['Lengthen', 'Shorten'],
      },
      {
        least: s.way === 'face' ? 0.5 : s.lengthMm,
        most: 5000,
        low: s.way === 'face' ? 1 : s.lengthMm,
        high: Math.max(s.overhangMm, s.lengthMm),
        step: 0.5,
      },
    ),
  ];
}
