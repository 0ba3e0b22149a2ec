import { measure, say } from '../../units/sentence.ts';
import { hardeningCautions } from '../holes/difficult-chips.ts';
import { HOLDS_PART } from '../lathe/held-part.ts';
import { LATHE_CAUTIONS } from '../lathe/lathe-cautions.ts';
import { seatCautions, seatNotes } from '../lathe/tool-seat.ts';
import { jawGripLimit } from '../lathe/limits/jaw-grip.ts';
import { spindleDirectionLimit } from '../lathe/limits/spindle-direction.ts';
import { slendernessLimit } from '../lathe/limits/part-overhang.ts';
import { OF_ALL } from '../limits/ladder-of-all.ts';
import { operationKind } from '../operation-kind.ts';
import { setSpeedAndFeed } from '../set-speed-and-feed.ts';
import { checkThreadTurning } from './check-thread-turning.ts';
import {
  threadChatterLimit,
  threadInsertLimit,
  threadLastPassLimit,
  threadPassLimit,
  threadRunInLimit,
  threadRunOutLimit,
  threadSeatLimit,
  threadSizeLimit,
} from './limits/turned-thread.ts';
import { startingThreadTurning } from './starting-thread-turning.ts';
import { threadTurningMovables } from './thread-turning-movables.ts';
import { threadTurningNumbers } from './thread-turning-numbers.ts';
import { threadStart, towardsJaws, type ThreadTurningOperation } from './thread-turning-operation.ts';
import { threadTurningState, type ThreadTurningState } from './thread-turning-state.ts';
import { threadTurningSwitches } from './thread-turning-switches.ts';

const IN = {
  radial: 'straight in',
  flank: 'along one flank',
  alternating: 'along both flanks in turn',
} as const;

/** Threads cut in passes, outside and inside. */
export const threadTurningKind = operationKind<ThreadTurningOperation, ThreadTurningState>({
  kind: 'thread-turning',
  tool: {
    toothless: true,
    named: 'a threading insert, inside one on a round bar',
    fits: ({ type }) => type === 'threading_insert',
  },
  verb: ({ turned }) => (turned.internal ? 'Turn the thread inside' : 'Turn the thread'),
  notes: ({ seat, cut, turned }) => [
    ...seatNotes(seat),
    say(
      `{0} passes ${IN[cut.infeed]}, then {1} without infeed. One speed all through: no override while the edge is in the thread.`,
      measure(cut.passes, 'pieces'),
      measure(cut.springPasses, 'pieces'),
    ),
    ...(turned.leftHand || seat
      ? [
          say(
            `${turned.leftHand ? 'Left' : 'Right'}-hand thread, cut ${towardsJaws({ turned, ...(seat && { seat }) }) ? 'towards the jaws' : 'from the jaws outwards'}.`,
          ),
        ]
      : []),
    ...(turned.support === 'chuck' ? [] : [say(`Free end held by ${HOLDS_PART[turned.support]}.`)]),
  ],
  parameters: ['n', 'vc'],
  shown: {
    set: ['vc', 'n', 'passes'],
    watch: ['first', 'last', 'Fc', 'runIn', 'size', 't'],
    follows: ['vf', 'depth', 'first', 'last', 'Fc', 'Fp', 'M', 'P', 'lead', 'runIn', 'size', 'T', 't'],
  },
  movables: threadTurningMovables,
  switches: threadTurningSwitches,
  checks: checkThreadTurning,
  speedDiameter: threadStart,
  set: setSpeedAndFeed,
  start: startingThreadTurning,
  renew: (op, context, diameterMm) => ({
    ...op.cut,
    speedRpm: startingThreadTurning(op, context, diameterMm).speedRpm,
  }),
  state: threadTurningState,
  numbers: threadTurningNumbers,
  rests: (s) => [s.sizeErrorMm],
  cautions: (op, context) => [
    ...LATHE_CAUTIONS,
    ...seatCautions(op, context.machine),
    'Never feel a thread with the part turning; burrs of threads cut.',
    ...hardeningCautions(context),
  ],
  ladder: [
    ...OF_ALL.machine,
    spindleDirectionLimit,
    threadRunInLimit,
    ...OF_ALL.cutter,
    threadInsertLimit,
    threadSeatLimit,
    threadPassLimit,
    threadLastPassLimit,
    jawGripLimit,
    threadSizeLimit,
    slendernessLimit,
    threadChatterLimit,
    ...OF_ALL.life,
    threadRunOutLimit,
    ...OF_ALL.process,
  ],
});
