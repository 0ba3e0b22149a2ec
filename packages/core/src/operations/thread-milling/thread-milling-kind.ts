import { measure, say } from '../../units/sentence.ts';
import { threadMillingMovables } from './thread-milling-movables.ts';
import { outerDiameter } from '../../crib/cutter.ts';
import { startingThreadMilling } from './starting-thread-milling.ts';
import { setSpeedAndFeed } from '../set-speed-and-feed.ts';
import { checkThreadMilling } from './check-thread-milling.ts';
import { ROUND } from '../parameter.ts';
import { operationKind } from '../operation-kind.ts';
import type { ThreadMillingOperation } from './thread-milling-operation.ts';
import { OF_ALL } from '../limits/ladder-of-all.ts';
import { threadMillingNumbers } from './thread-milling-numbers.ts';
import { threadMillingState, type ThreadMillingState } from './thread-milling-state.ts';
import { riskOf } from '../holes/hole-risk.ts';
import { holeReachLimit } from '../holes/limits/hole-reach.ts';
import {
  threadMillBendingLimit,
  threadMillFeedLimit,
  threadMillFitsLimit,
  threadTaperLimit,
} from './limits/thread-milling.ts';

/** Milling of a thread on a helix. */
export const threadMillingKind = operationKind<ThreadMillingOperation, ThreadMillingState>({
  kind: 'thread-milling',
  tool: { named: 'a thread mill', fits: ({ type }) => type === 'thread_mill' },
  verb: () => 'Mill the thread',
  notes: (op) => [
    say(
      'Climb from the bottom up, pitch {0}; {1} radial passes, {2} spring passes; centre-path program.',
      measure(op.thread.pitchMm, 'mm'),
      measure(op.cut.passes, 'pieces'),
      measure(op.cut.springPasses, 'pieces'),
    ),
  ],
  parameters: ROUND,
  shown: {
    set: ['n', 'vfc', 'turns', 'height'],
    watch: ['vc', 'vf', 'fz', 'F', 'taper', 't'],
    follows: ['vfc', 'turns', 'height', 'hex', 'F', 'taper', 'M', 'T', 't'],
  },
  movables: threadMillingMovables,
  checks: checkThreadMilling,
  speedDiameter: (op, { cutter }) => outerDiameter(cutter) || op.hole.diameterMm,
  set: setSpeedAndFeed,
  start: startingThreadMilling,
  state: threadMillingState,
  numbers: threadMillingNumbers,
  rests: (s) => [s.breaking, s.sizeErrorMm],
  risk: (s) => riskOf(s, { each: 1e-4, loses: 0.05 }),
  ladder: [
    ...OF_ALL.machine,
    ...OF_ALL.cutter,
    holeReachLimit,
    threadMillFeedLimit,
    threadMillBendingLimit,
    threadTaperLimit,
    ...OF_ALL.life,
    threadMillFitsLimit,
    ...OF_ALL.process,
  ],
});
