import { measure, say, type Sentence } from '../../units/sentence.ts';
import type { MillingFeature } from '../../physics/path/feature.ts';
import type { MillingOperation } from './milling-operation.ts';

const NAMES = {
  wall: 'groove in the wall',
  't-slot': 'T-slot',
  dovetail: 'dovetail',
  'face-ring': 'ring groove in the face',
} as const;

/** A groove under a wall or round a ring, as the sheet says it. */
export function undercutSentence({ feature, featuresPerPart, cut }: MillingOperation): Sentence {
  const { undercut } = feature;
  if (!undercut) throw new TypeError('invalid feature; it has no undercut');
  const mm = (value: number) => measure(value, 'mm');
  const ring = undercut.ringMm === null ? '' : ', ⌀{4}';
  const where = undercut.form === 'face-ring' ? '' : ', lower wall {3} below the face';
  const size =
    undercut.throatMm === null
      ? undercut.form === 'face-ring'
        ? '{1} wide, {2} deep'
        : '{2} wide, {1} deep'
      : '{5} above, {1} under each side, {2} high';
  return say(
    `${featuresPerPart} × ${NAMES[undercut.form]} ${size}, {0} long${ring}${where}; ${cut.direction}`,
    mm(feature.lengthMm),
    mm(feature.widthMm),
    mm(feature.depthMm),
    mm(undercut.floorMm),
    mm(undercut.ringMm ?? 0),
    mm(undercut.throatMm ?? 0),
  );
}

/** How the head comes in and leaves, as the setter has to know it. */
export function undercutNotes({ undercut }: MillingFeature): readonly Sentence[] {
  if (!undercut) return [];
  if (undercut.form === 'face-ring')
    return [say('Ramp in along the ring; overlap the start by a cutter’s width before coming up.')];
  const way =
    undercut.openingMm === null
      ? 'In from the side or the open end at cutting feed'
      : 'Down through the opening, spindle turning, then out to the wall on an arc';
  return [
    say(
      `${way}; back to where it came in before coming up: a head that rises inside the groove tears its upper wall and breaks.`,
    ),
  ];
}
