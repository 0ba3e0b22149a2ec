import { measure, say } from '../../units/sentence.ts';
import { hardeningCautions } from '../holes/difficult-chips.ts';
import { OF_ALL } from '../limits/ladder-of-all.ts';
import { operationKind } from '../operation-kind.ts';
import type { Parameter } from '../parameter.ts';
import { setSpeedAndFeed } from '../set-speed-and-feed.ts';
import { ringDistortionLimit } from './limits/ring.ts';
import { checkTurning } from './check-turning.ts';
import { boreReachLimit, turningOverhangLimit } from './limits/bar.ts';
import { insertDepthLimit, insertFeedLimit, leastChipLimit, notchLimit } from './limits/insert.ts';
import { HOLDS_PART } from '../lathe/held-part.ts';
import { LATHE_CAUTIONS } from '../lathe/lathe-cautions.ts';
import { seatCautions, seatNotes } from '../lathe/tool-seat.ts';
import { jawGripLimit } from '../lathe/limits/jaw-grip.ts';
import { spindleDirectionLimit } from '../lathe/limits/spindle-direction.ts';
import { slendernessLimit } from '../lathe/limits/part-overhang.ts';
import { spindleCapLimit } from '../lathe/limits/spindle-cap.ts';
import { partChatterLimit, turnedRoughnessLimit, turnedSizeLimit } from './limits/part.ts';
import { profileCornerLimit, profileReachLimit } from './limits/profile.ts';
import { isFullRadius } from './profile/reach.ts';
import { profileNote } from './profile/profile-words.ts';
import { startingTurning } from './starting-turning.ts';
import { turningMovables } from './turning-movables.ts';
import { turningNumbers } from './turning-numbers.ts';
import { largestDiameter, type TurningOperation } from './turning-operation.ts';
import { turningState, type TurningState } from './turning-state.ts';
import { turningSwitches } from './turning-switches.ts';

const PARAMETERS = ['n', 'vc', 'fn', 'vf', 'ap'] as const satisfies readonly Parameter[];

const VERBS = { outside: 'Turn', inside: 'Bore out', face: 'Face' } as const;

/** Turning along outside or inside, and facing. */
export const turningKind = operationKind<TurningOperation, TurningState>({
  kind: 'turning',
  tool: {
    // One edge with a nose, no teeth on a diameter.
    toothless: true,
    named:
      'a turning insert outside and on faces, a boring bar inside; for a profile a round grooving insert too',
    fits: (cutter, { stretch }) => {
      if (stretch.profile && isFullRadius(cutter))
        return (cutter.properties.DCONMS !== undefined) === (stretch.way === 'inside');
      return cutter.type === (stretch.way === 'inside' ? 'boring_bar' : 'turning_insert');
    },
  },
  verb: ({ stretch }) => VERBS[stretch.way],
  notes: ({ seat, cut, stretch }) => [
    ...seatNotes(seat),
    ...(stretch.profile ? [profileNote(stretch.profile)] : []),
    ...(cut.varied ? [say('Depth varied from pass to pass, by a sixth either way.')] : []),
    say('Constant surface speed; spindle no faster than {0}.', measure(cut.capRpm, 'rpm')),
    ...(stretch.support === 'chuck' ? [] : [say(`Free end held by ${HOLDS_PART[stretch.support]}.`)]),
  ],
  parameters: PARAMETERS,
  shown: {
    set: ['vc', 'n', 'fn', 'ap'],
    watch: ['nMax', 'passes', 'Fc', 'P', 'size', 'Ra', 't'],
    follows: ['nMax', 'passes', 'h', 'Fc', 'Ff', 'Fp', 'M', 'P', 'Q', 'lean', 'size', 'Ra', 'T', 't'],
  },
  movables: turningMovables,
  switches: turningSwitches,
  checks: checkTurning,
  speedDiameter: ({ stretch }) => largestDiameter(stretch),
  set: (op, context, key, value, diameterMm) =>
    key === 'ap'
      ? { ...op, cut: { ...op.cut, depthMm: value } }
      : setSpeedAndFeed(op, context, key, value, diameterMm),
  start: startingTurning,
  renew: (op, context, diameterMm) => ({
    ...startingTurning(op, context, diameterMm),
    depthMm: op.cut.depthMm,
  }),
  state: turningState,
  numbers: turningNumbers,
  rests: (s) => [s.sizeErrorMm],
  cautions: (op, context) => [
    ...LATHE_CAUTIONS,
    ...seatCautions(op, context.machine),
    ...(op.stretch.support === 'chuck' &&
    op.stretch.overhangMm > 3 * Math.max(op.stretch.startMm, op.stretch.endMm)
      ? ['A long part without a tailstock can climb over the tool and leave the chuck.']
      : []),
    ...hardeningCautions(context),
  ],
  ladder: [
    ...OF_ALL.machine,
    spindleDirectionLimit,
    spindleCapLimit,
    ...OF_ALL.cutter,
    boreReachLimit,
    profileReachLimit,
    profileCornerLimit,
    insertFeedLimit,
    insertDepthLimit,
    leastChipLimit,
    jawGripLimit,
    turnedSizeLimit,
    ringDistortionLimit,
    turnedRoughnessLimit,
    slendernessLimit,
    turningOverhangLimit,
    partChatterLimit,
    ...OF_ALL.life,
    notchLimit,
    ...OF_ALL.process,
  ],
});
