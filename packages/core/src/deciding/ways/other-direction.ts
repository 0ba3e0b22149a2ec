import { isPolymer } from '../../crib/alloy.ts';
import type { OperationContext } from '../../operations/context.ts';
import type { MillingCut, MillingOperation } from '../../operations/milling/milling-operation.ts';
import { say } from '../../units/sentence.ts';
import type { WayDraft } from './way-draft.ts';

/** Why one goes against the usual direction, or with it. */
const DIRECTION: Readonly<Record<MillingCut['direction'], string>> = {
  climb: 'Climb: the chip starts thick and ends on the wall; the table must have no backlash.',
  conventional:
    'Conventional: rubs in before it cuts, and lifts the part; for frayed polymers, scale, and tables with backlash.',
};

/** The same cut climbing where it goes against the feed, and against it where it climbs, with what that asks for. */
export function otherDirection(op: MillingOperation, context: OperationContext): WayDraft {
  const direction = op.cut.direction === 'climb' ? 'conventional' : 'climb';
  return {
    id: direction,
    name: direction === 'climb' ? 'Climb' : 'Conventional',
    op: { ...op, cut: { ...op.cut, direction } },
    context,
    engaged: true,
    mind: say(
      isPolymer(context.alloy) && direction === 'climb'
        ? 'Climb frays the edge of a polymer.'
        : DIRECTION[direction],
    ),
  };
}
