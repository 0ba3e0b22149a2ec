import { input, type Limit } from '../../../judging/limit.ts';
import { measure, say } from '../../../units/sentence.ts';
import { held } from '../../holes/limits/assessments.ts';
import { contourOf, steepest } from '../profile/contour.ts';
import { beforeProfile, profilingEdge, reachOf } from '../profile/reach.ts';
import type { TurningState } from '../turning-state.ts';

/** Left on a profile that asks for no tolerance, on the radius, mm. */
const LEFT = 0.02;
/** The trailing edge keeps clear of what it follows by so much, degrees: chips and heel rub there. */
const HEEL_CLEAR = 2;

/** What the trailing edge, the leading edge or the depth of the insert leaves of a profile. */
export const profileReachLimit: Limit<TurningState> = {
  id: 'profile-reach',
  group: 'cutter',
  name: 'profile reach',
  assess({ op: { stretch: s }, context: { cutter } }) {
    if (!s.profile) return null;
    const inside = s.way === 'inside';
    const edge = profilingEdge(cutter);
    const deepest =
      cutter.type === 'grooving_insert' ? Number(cutter.properties['CDX'] ?? Infinity) : Infinity;
    const deep = Math.abs(s.startMm - s.endMm) / 2;
    if (deep > deepest)
      return held(deep, deepest, 'mm', cutter.name, {
        why: () =>
          say('Profile {0} deep; the insert reaches {1}.', measure(deep, 'mm'), measure(deepest, 'mm')),
        formula: 'depth ≤ CDX',
        source: 'cutter record',
      });
    const { fallDeg, riseDeg: rises } = steepest(contourOf(s.profile, inside), inside);
    const { uncutMm } = reachOf(s.profile, inside, beforeProfile(s), edge);
    const most = s.toleranceMm === null ? LEFT : Math.max(LEFT, s.toleranceMm / 2);
    const back = fallDeg > edge.backDeg;
    // Where nothing in it rises so steeply it is the shoulder to the part behind it.
    const riseDeg = rises > edge.leadDeg ? rises : 90;
    const close = fallDeg > edge.backDeg - HEEL_CLEAR && edge.backDeg < 90;
    const of = edge.assumed ? ', its point angle assumed' : '';
    return {
      ...held(uncutMm, most, 'mm', s.toleranceMm === null ? 'usual' : 'half the tolerance', {
        why: () =>
          back && uncutMm > most
            ? say(
                `Profile falls {0}; the trailing edge follows {1}${of} and leaves {2} uncut. A slimmer insert, or the other hand.`,
                measure(fallDeg, 'deg'),
                measure(edge.backDeg, 'deg'),
                measure(uncutMm, 'mm'),
              )
            : uncutMm > most
              ? say(
                  'Profile rises {0}; the leading edge stands at {1} and leaves {2} uncut.',
                  measure(riseDeg, 'deg'),
                  measure(edge.leadDeg, 'deg'),
                  measure(uncutMm, 'mm'),
                )
              : say(
                  `Profile falls {0} at the steepest; the trailing edge follows {1}${of}.`,
                  measure(fallDeg, 'deg'),
                  measure(edge.backDeg, 'deg'),
                ),
        formula: 'fall ≤ 180° − κr − εr',
        inputs: () => [
          input('κr', 'leading edge', edge.leadDeg, 'deg'),
          input('fall', 'steepest fall', fallDeg, 'deg'),
        ],
        source: 'geometry: the nose and both edges swept along the profile',
      }),
      verdict: uncutMm > most ? 'over' : close && fallDeg > 0 ? 'tight' : 'clear',
    };
  },
};

/** The nose leaves its own radius in every inner corner. */
export const profileCornerLimit: Limit<TurningState> = {
  id: 'profile-corner',
  group: 'cutter',
  name: 'corners of the profile',
  assess({ op: { stretch: s }, context: { cutter } }) {
    if (!s.profile) return null;
    const hollow = s.profile.elements
      .filter((e) => e.kind === 'arc' && e.side === 'hollow')
      .map((e) => e.radiusMm ?? Infinity);
    const least = Math.min(...hollow, s.profile.cornerMm ?? Infinity);
    if (!Number.isFinite(least)) return null;
    const nose = profilingEdge(cutter).noseMm;
    return held(nose, least, 'mm', 'smallest inner radius of the profile', {
      why: () =>
        say('Nose {0}; the profile has an inner radius of {1}.', measure(nose, 'mm'), measure(least, 'mm')),
      formula: 'RE ≤ smallest inner radius',
      source: 'geometry',
    });
  },
};
