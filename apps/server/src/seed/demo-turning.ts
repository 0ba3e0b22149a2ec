import {
  type Operation,
  type OperationContext,
  PLAIN_STRETCH,
  type TurnedStretch,
  type TurningOperation,
  withStartingCut,
} from '@burl/core';
import { type Change, demoBase, type Place } from './demo-base.ts';

/** Makes demo operations that turn, worked out by the core like a person's. */
export function demoTurning(contextOf: (op: Operation) => OperationContext) {
  return function turn(
    place: Place,
    cutterId: string,
    holderId: string,
    stretch: Partial<TurnedStretch>,
    change: Pick<Change<TurningOperation>, 'cut' | 'tooling' | 'edgesOnShelf'> = {},
  ): TurningOperation {
    const common = demoBase(place, cutterId, holderId, {});
    const draft: TurningOperation = {
      ...common,
      kind: 'turning',
      tooling: { ...common.tooling, stickOutMm: 35, ...change.tooling },
      stretch: { ...PLAIN_STRETCH, ...stretch },
      cut: { speedRpm: 500, capRpm: 1000, feedPerRevMm: 0.1, depthMm: 0.5 },
    };
    const started = withStartingCut(draft, contextOf(draft)) as TurningOperation;
    return {
      ...started,
      edgesOnShelf: change.edgesOnShelf ?? started.edgesOnShelf,
      cut: { ...started.cut, ...change.cut },
    };
  };
}
