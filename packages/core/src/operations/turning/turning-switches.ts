import { say } from '../../units/sentence.ts';
import type { OperationContext } from '../context.ts';
import { seatSwitches } from '../lathe/seat-switches.ts';
import { heldOtherwise } from '../lathe/held-otherwise.ts';
import type { Switch } from '../switch.ts';
import type { TurningOperation } from './turning-operation.ts';
import { passesOf } from './turning-state.ts';

/** Tailstock or steady for a part that gives way, other depths for an edge that is notched. */
export const turningSwitches = (op: TurningOperation, context: OperationContext): Switch[] => [
  ...seatSwitches(op, context),
  ...heldOtherwise(op.stretch.support, op.stretch.way === 'outside', (support) => ({
    ...op,
    stretch: { ...op.stretch, support },
  })),
  ...(op.cut.varied || passesOf(op).passes < 2
    ? []
    : [
        {
          id: 'vary-depth',
          title: say('Vary the depth from pass to pass'),
          after: { ...op, cut: { ...op.cut, varied: true } },
        },
      ]),
];
