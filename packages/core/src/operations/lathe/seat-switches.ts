import { say } from '../../units/sentence.ts';
import type { OperationContext } from '../context.ts';
import type { Switch } from '../switch.ts';
import { rotationFor, seatOf, turretOf } from './tool-seat.ts';
import type { TurnedOperation } from './turned-kinds.ts';

/** The other way round, where the part meets the heel of the edge. */
export function seatSwitches(op: TurnedOperation, { machine }: OperationContext): Switch[] {
  const seat = seatOf(op, machine);
  const rotation = rotationFor(seat.edge, turretOf(machine));
  if (rotation === seat.rotation) return [];
  return [
    {
      id: 'rotation',
      title: say(`Turn the spindle ${rotation}`),
      after: { ...op, seat: { ...seat, rotation } },
    },
    {
      id: 'edge-over',
      title: say('Turn the tool over'),
      after: { ...op, seat: { ...seat, edge: seat.edge === 'up' ? 'down' : 'up' } },
    },
  ];
}
