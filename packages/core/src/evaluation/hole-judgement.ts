import type { OperationContext } from '../operations/context.ts';
import type { Quantity } from '../judging/result.ts';
import type { Peck } from '../physics/holes/peck.ts';
import type { HoleOperation } from '../operations/hole-operation.ts';
import { DRILLING_LADDER, HOLE_LADDERS } from './ladder.ts';
import type { Limit } from '../judging/limit.ts';
import type { Estimate } from '../judging/estimate.ts';
import { drillingState } from '../operations/drilling/drilling-state.ts';
import { drillingNumbers } from '../operations/drilling/drilling-numbers.ts';
import { boringState } from '../operations/boring/boring-state.ts';
import { chamferingState } from '../operations/chamfering/chamfering-state.ts';
import { reamingNumbers } from '../operations/reaming/reaming-numbers.ts';
import { boringNumbers } from '../operations/boring/boring-numbers.ts';
import { holeMillingNumbers } from '../operations/hole-milling/hole-milling-numbers.ts';
import { chamferingNumbers } from '../operations/chamfering/chamfering-numbers.ts';
import { tappingNumbers } from '../operations/tapping/tapping-numbers.ts';
import { threadMillingNumbers } from '../operations/thread-milling/thread-milling-numbers.ts';
import { holeMillingState } from '../operations/hole-milling/hole-milling-state.ts';
import type { HoleState } from '../operations/holes/hole-state.ts';
import { reamingState } from '../operations/reaming/reaming-state.ts';
import { tappingState } from '../operations/tapping/tapping-state.ts';
import { threadMillingState } from '../operations/thread-milling/thread-milling-state.ts';

/** A step of a hole worked out, with what it is judged by. */
export interface HoleJudgement {
  readonly state: HoleState;
  readonly ladder: readonly Limit<never>[];
  readonly numbers: () => Quantity[];
  readonly rests: readonly Estimate[];
  readonly pecks: readonly Peck[];
}

/** Works a step of a hole out by its kind. Input must have been checked. */
export function holeJudgement(op: HoleOperation, context: OperationContext): HoleJudgement {
  switch (op.kind) {
    case 'drilling': {
      const state = drillingState(op, context);
      return {
        state,
        ladder: DRILLING_LADDER as readonly Limit<never>[],
        numbers: () => drillingNumbers(state),
        rests: [state.thrustN],
        pecks: state.pecks,
      };
    }
    case 'reaming': {
      const state = reamingState(op, context);
      return plain(state, HOLE_LADDERS.reaming, () => reamingNumbers(state));
    }
    case 'boring': {
      const state = boringState(op, context);
      return plain(state, HOLE_LADDERS.boring, () => boringNumbers(state));
    }
    case 'hole-milling': {
      const state = holeMillingState(op, context);
      return plain(state, HOLE_LADDERS['hole-milling'], () => holeMillingNumbers(state));
    }
    case 'chamfering': {
      const state = chamferingState(op, context);
      return plain(state, HOLE_LADDERS.chamfering, () => chamferingNumbers(state));
    }
    case 'tapping': {
      const state = tappingState(op, context);
      return plain(state, HOLE_LADDERS.tapping, () => tappingNumbers(state));
    }
    case 'thread-milling': {
      const state = threadMillingState(op, context);
      return plain(state, HOLE_LADDERS['thread-milling'], () => threadMillingNumbers(state));
    }
  }
}

const plain = (
  state: HoleState,
  ladder: readonly Limit<never>[],
  numbers: () => Quantity[],
): HoleJudgement => ({
  state,
  ladder,
  numbers,
  rests: [state.breaking, state.sizeErrorMm].filter((e) => e !== null),
  pecks: [],
});
