import type { Limit } from '../../../judging/limit.ts';
import { say } from '../../../units/sentence.ts';
import { verdict } from '../../holes/limits/assessments.ts';
import type { LatheState } from '../lathe-state.ts';
import { rotationFor, seatOf, turretOf } from '../tool-seat.ts';

/** The part has to come at the face of the edge, not at its heel. */
export const spindleDirectionLimit: Limit<LatheState> = {
  id: 'spindle-direction',
  reads: 'setup',
  group: 'machine',
  name: 'spindle direction',
  assess({ op, context: { machine } }) {
    const turret = turretOf(machine);
    const { rotation, edge } = seatOf(op, machine);
    const right = rotationFor(edge, turret) === rotation;
    const stands = `tool ${turret === 'rear' ? 'behind' : 'before'} the axis, edge facing ${edge}`;
    return verdict(right ? 'clear' : 'over', {
      why: () =>
        right
          ? say(`Spindle ${rotation}, ${stands}.`)
          : say(
              `Spindle ${rotation}, ${stands}: the part meets the heel of the edge. Turn ${rotationFor(edge, turret)}, or turn the tool over.`,
            ),
      formula: 'behind the axis the part comes up, before it down',
      source: 'geometry; turret of the machine record, behind the axis where nobody states it',
    });
  },
};
