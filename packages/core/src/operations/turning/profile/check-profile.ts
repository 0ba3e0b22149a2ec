import { round } from '../../../units/input-error.ts';
import type { Inspection } from '../../inspection.ts';
import type { TurnedStretch } from '../turning-operation.ts';
import { arcBetween, profileSizes } from './contour.ts';
import { MOST_ELEMENTS } from './turned-profile.ts';

const LARGEST = 3000;
const LONGEST = 5000;
/** Ends that a person rounded agree with the profile within this, mm. */
const AGREES = 0.005;

/** What a profile may be, and that the stretch says the same of its ends. */
export function checkProfile(stretch: TurnedStretch, see: Inspection): void {
  const { profile, way } = stretch;
  if (!profile) return;
  const at = (i: number, key: string): string => `stretch.profile.elements.${i}.${key}`;
  if (way === 'face') see.say('stretch.way', way, 'outside or inside: a face has no profile');
  see.within('stretch.profile.startMm', profile.startMm, 0, LARGEST, 'mm');
  see.measured('stretch.profile.skinMm', profile.skinMm, 0.01, 20, 'mm');
  see.measured('stretch.profile.cornerMm', profile.cornerMm, 0.01, 100, 'mm');
  const { elements } = profile;
  if (elements.length === 0 || elements.length > MOST_ELEMENTS) {
    see.say('stretch.profile.elements', elements.length, `1 to ${MOST_ELEMENTS} steps, cones and arcs`);
    return;
  }
  const before = see.problems.length;
  elements.forEach((e, i) => {
    see.within(at(i, 'toMm'), e.toMm, 0.1, LARGEST, 'mm');
    see.within(at(i, 'lengthMm'), e.lengthMm, 0, LONGEST, 'mm');
    if (e.kind === 'arc') see.within(at(i, 'radiusMm'), e.radiusMm ?? NaN, 0.01, 10 * LARGEST, 'mm');
  });
  if (see.problems.length > before) return;
  let from = { z: 0, r: (elements[0]!.kind === 'step' ? elements[0]!.toMm : profile.startMm) / 2 };
  elements.forEach((e, i) => {
    const to = { z: from.z + e.lengthMm, r: e.toMm / 2 };
    if (e.kind === 'arc' && !arcBetween(from, to, e, way === 'inside'))
      see.say(
        at(i, 'radiusMm'),
        e.radiusMm,
        `a radius that joins its ends without going back along the axis: ${(Math.hypot(e.lengthMm, to.r - from.r) / 2).toFixed(3)} mm or more, and a length above 0`,
      );
    from = to;
  });
  const sizes = profileSizes(profile, way === 'inside');
  see.above('stretch.profile.elements', sizes.lengthMm, 'mm');
  const end = way === 'inside' ? sizes.largestMm : sizes.smallestMm;
  const most = way === 'inside' ? sizes.smallestMm : sizes.largestMm;
  if (Math.abs(end - stretch.endMm) > AGREES)
    see.say('stretch.endMm', stretch.endMm, `${round(end)} mm, the deepest of its profile`);
  if (Math.abs(sizes.lengthMm - stretch.lengthMm) > AGREES)
    see.say('stretch.lengthMm', stretch.lengthMm, `${round(sizes.lengthMm)} mm, the length of its profile`);
  if (way === 'inside') see.within('stretch.startMm', stretch.startMm, 0, most + AGREES, 'mm');
  else see.within('stretch.startMm', stretch.startMm, most - AGREES, LARGEST, 'mm');
}
