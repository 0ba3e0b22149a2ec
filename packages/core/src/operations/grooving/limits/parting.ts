import type { LimitState } from '../../../judging/result.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { measure, say } from '../../../units/sentence.ts';
import { held, verdict } from '../../holes/limits/assessments.ts';
import type { Catch } from '../grooving-operation.ts';
import type { GroovingState } from '../grooving-state.ts';

/** Speed of the rim at which a part may come off, m/min, by what takes it. Judgement; the machine's manual and local rules decide. */
export const RIM_M_MIN: Readonly<Record<Catch, number>> = {
  nothing: 180,
  catcher: 360,
  'sub-spindle': Infinity,
};
const TAKEN: Readonly<Record<Catch, string>> = {
  nothing: 'nothing takes the part',
  catcher: 'a catcher takes the part',
  'sub-spindle': 'the sub-spindle holds the part',
};

/** A part that comes off turning is thrown. */
export const partThrownLimit: Limit<GroovingState> = {
  id: 'part-thrown',
  group: 'process',
  name: 'part coming off',
  assess({ rimMMin, fastestRpm, op: { groove } }) {
    if (rimMMin === null) return null;
    const most = RIM_M_MIN[groove.caughtBy];
    if (!Number.isFinite(most))
      return verdict('clear', {
        why: () => say('The sub-spindle holds the part and turns with it.'),
        formula: 'held on both sides',
        source: 'workshop rule',
      });
    return held(rimMMin, most, 'm/min', TAKEN[groove.caughtBy], {
      why: () =>
        say(
          `Part comes off at {0}, its rim at {1}; {2} allowed, for ${TAKEN[groove.caughtBy]}.`,
          measure(fastestRpm, 'rpm'),
          measure(rimMMin, 'm/min'),
          measure(most, 'm/min'),
        ),
      formula: 'π·D·cap ≤ 180 m/min, 360 m/min into a catcher',
      inputs: () => [input('cap', 'speed at the centre', fastestRpm, 'rpm')],
      source: 'workshop rule; the machine’s manual and local rules decide',
    });
  },
};

/** Towards the centre the speed falls and the pip is torn: the feed has to come down. */
const SLOW_BELOW_MM = 2;
const SLOW_SHARE = 0.75;
export const centreFeedLimit: Limit<GroovingState> = {
  id: 'centre-feed',
  group: 'process',
  name: 'feed at the centre',
  assess({ op: { groove, cut }, smallestMm }) {
    if (groove.way !== 'part-off') return null;
    const slowed = cut.slowShare <= SLOW_SHARE && cut.slowBelowMm >= smallestMm + SLOW_BELOW_MM - 1e-9;
    const state: LimitState = slowed ? 'clear' : 'tight';
    return verdict(state, {
      why: () =>
        slowed
          ? say('Feed comes down below ⌀ {0}.', measure(cut.slowBelowMm, 'mm'))
          : say(
              'Below ⌀ {0} the feed has to come down to three quarters or less: the pip is torn, and a burr stays.',
              measure(smallestMm + SLOW_BELOW_MM, 'mm'),
            ),
      formula: 'fn ≤ 75% in the last 2 mm of diameter',
      source: 'judgement rule G-117',
    });
  },
};

/** Diameters from the jaws at which a part is parted. Shop practice. */
const NEAR = 1.5;
const FAR = 3;
/** Parted far from the jaws the bar leans into the blade and pinches it. */
export const partingPlaceLimit: Limit<GroovingState> = {
  id: 'parting-place',
  reads: 'setup',
  group: 'vibration',
  name: 'parting place',
  assess({ op: { groove }, part, bladeMm }) {
    if (groove.way !== 'part-off') return null;
    const from = Math.max(0, part.overhangMm - groove.fromEndMm - bladeMm);
    const ratio = from / groove.startMm;
    const state: LimitState = ratio > FAR ? 'over' : ratio > NEAR ? 'tight' : 'clear';
    return {
      ...held(ratio, ratio > NEAR ? FAR : NEAR, 'ratio', 'diameter of the bar', {
        why: () =>
          say(
            'Parted {0} from the jaws, {1}×D; up to {2}×D is usual.',
            measure(from, 'mm'),
            measure(ratio, 'ratio'),
            measure(NEAR, 'ratio'),
          ),
        formula: 'distance ≤ 1.5·D, never over 3·D',
        source: 'workshop rule',
      }),
      verdict: state,
    };
  },
};

/** Length over diameter of a part that is parted with nothing at its end. Shop practice. */
const UNHELD = 4;
/** A long part whips while it hangs on its last bridge. */
export const partedLengthLimit: Limit<GroovingState> = {
  id: 'parted-length',
  reads: 'setup',
  group: 'process',
  name: 'parted length',
  assess({ op: { groove } }) {
    if (groove.way !== 'part-off' || groove.caughtBy === 'sub-spindle') return null;
    const ratio = groove.fromEndMm / groove.startMm;
    return held(ratio, UNHELD, 'ratio', 'nothing holds its end', {
      why: () =>
        say(
          'Part of {0}×D hangs on its last bridge; up to {1}×D without a sub-spindle.',
          measure(ratio, 'ratio'),
          measure(UNHELD, 'ratio'),
        ),
      formula: 'length ≤ 4·D',
      source: 'workshop rule',
    });
  },
};
