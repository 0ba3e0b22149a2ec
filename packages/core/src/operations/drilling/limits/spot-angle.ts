import type { DrillingState } from '../drilling-state.ts';
import { isHighSpeedSteel } from '../../context.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { atLeast } from '../../holes/limits/assessments.ts';

/** A spot or pilot flatter than the drill that follows lets its point touch first, not its corners. Rule G-61. */
export const spotAngleLimit: Limit<DrillingState> = {
  id: 'spot-angle',
  group: 'cutter',
  name: 'point angle',
  assess({ op: { role, followedByDeg }, context }) {
    if (role === 'drill' || followedByDeg === null) return null;
    const own = context.cutter.properties.SIG ?? 140;
    // Jobber drills of high-speed steel stand a sharper spot.
    const least =
      followedByDeg <= 120 && !isHighSpeedSteel(context) ? Math.min(followedByDeg, 90) : followedByDeg;
    return {
      ...atLeast(own, least, 'deg', 'point of the drill that follows', {
        why: () =>
          own >= least
            ? say('Point angle {0}: the next drill touches with its centre.', measure(own, 'deg'))
            : say(
                'Point angle {0}, next drill {1}: its corners would touch first and chip.',
                measure(own, 'deg'),
                measure(least, 'deg'),
              ),
        formula: 'SIG here ≥ SIG of the next drill',
        inputs: () => [input('SIG', 'point angle', own, 'deg')],
        source: 'judgement rule G-61',
      }),
      verdict: own >= least ? 'clear' : 'over',
    };
  },
};
