import {
  type Operation,
  type OperationContext,
  PLAIN_GROOVE,
  PLAIN_STRETCH,
  PLAIN_TURNED_THREAD,
  type Groove,
  type GroovingOperation,
  threadOf,
  type ThreadTurningOperation,
  type TurnedStretch,
  type TurnedThread,
  type TurningOperation,
  withStartingCut,
} from '@burl/core';
import { type Change, demoBase, type Place } from './demo-base.ts';

/** A shank stands out this far in the demo's lathe, mm. */
const SHANK_OUT = 35;

/** Makes demo operations of a lathe, worked out by the core like a person's. */
export function demoTurning(contextOf: (op: Operation) => OperationContext) {
  const base = (
    place: Place,
    cutterId: string,
    holderId: string,
    tooling: Partial<Operation['tooling']> = {},
  ) => {
    const common = demoBase(place, cutterId, holderId, {});
    return { ...common, tooling: { ...common.tooling, stickOutMm: SHANK_OUT, ...tooling } };
  };
  const started = <O extends Operation>(draft: O, cut: Partial<O['cut']> = {}): O => {
    const begun = withStartingCut(draft, contextOf(draft)) as O;
    return { ...begun, cut: { ...begun.cut, ...cut } };
  };

  function turn(
    place: Place,
    cutterId: string,
    holderId: string,
    stretch: Partial<TurnedStretch>,
    change: Pick<Change<TurningOperation>, 'cut' | 'tooling' | 'edgesOnShelf'> = {},
  ): TurningOperation {
    const draft: TurningOperation = {
      ...base(place, cutterId, holderId, change.tooling),
      kind: 'turning',
      stretch: { ...PLAIN_STRETCH, ...stretch },
      cut: { speedRpm: 500, capRpm: 1000, feedPerRevMm: 0.1, depthMm: 0.5 },
    };
    const made = started(draft, change.cut);
    return { ...made, edgesOnShelf: change.edgesOnShelf ?? made.edgesOnShelf };
  }

  const groove = (
    place: Place,
    cutterId: string,
    shape: Partial<Groove>,
    change: Pick<Change<GroovingOperation>, 'cut' | 'tooling'> = {},
  ): GroovingOperation =>
    started<GroovingOperation>(
      {
        ...base(place, cutterId, 'turn-block-25', change.tooling),
        kind: 'grooving',
        groove: { ...PLAIN_GROOVE, ...shape },
        cut: {
          speedRpm: 300,
          capRpm: 1000,
          feedPerRevMm: 0.05,
          depthMm: 1,
          stepMm: 1,
          widenBy: 'plunges',
          firstPlunge: 'outer',
          slowBelowMm: 3,
          slowShare: 0.6,
        },
      },
      change.cut,
    );

  const thread = (
    place: Place,
    cutterId: string,
    designation: string,
    turned: Partial<TurnedThread>,
  ): ThreadTurningOperation =>
    started<ThreadTurningOperation>({
      ...base(place, cutterId, 'turn-block-25'),
      kind: 'thread-turning',
      thread: threadOf(designation),
      turned: { ...PLAIN_TURNED_THREAD, ...turned },
      cut: { speedRpm: 300, passes: 8, springPasses: 1, infeed: 'flank' },
    });

  return { turn, groove, thread };
}
