import type { FinishedFace, Finishing } from '../../physics/path/finishing.ts';
import type { MillingFeature } from '../../physics/path/feature.ts';
import { measure, say, type Sentence } from '../../units/sentence.ts';
import type { MillingOperation } from './milling-operation.ts';

const NAMES: Readonly<Record<FinishedFace, string>> = {
  floor: 'floor finished',
  wall: 'wall finished',
  'floor-and-wall': 'floor and wall finished',
  corner: 'corners picked out',
  rib: 'rib finished on both sides',
  surface: 'curved surface finished',
};

/** What a finishing cut makes, as the sheet says it. */
export function finishingSentence(
  { feature, featuresPerPart, cut }: MillingOperation,
  finishing: Finishing,
): Sentence {
  const mm = (value: number) => measure(value, 'mm');
  const size =
    finishing.face === 'surface'
      ? `{0} × {1} at {4} to a floor, {2} of stock${feature.scallopMm === null ? '' : ', ridges up to {5}'}`
      : finishing.face === 'floor'
        ? '{0} × {1}, {2} of stock'
        : `{0} of ${finishing.face === 'rib' ? 'rib' : 'wall'}, {2} high, {1} of stock`;
  const corner = feature.cornerRadiusMm === null ? '' : ', corners R{3}';
  return say(
    `${featuresPerPart} × ${NAMES[finishing.face]}, ${size}${corner}; ${cut.direction}`,
    mm(feature.lengthMm),
    mm(feature.widthMm),
    mm(feature.depthMm),
    mm(feature.cornerRadiusMm ?? 0),
    measure(feature.slopeDeg, 'deg'),
    measure(feature.scallopMm ?? 0, 'mm-fine'),
  );
}

/** Which way a cutter is tilted, its degrees as measure {0}. */
export const tiltWords = (tiltDeg: number): string =>
  tiltDeg < 0 ? '{0} away from its flank' : '{0} towards its flank';

/** In which order faces are made, and why, as the setter has to know it. */
export function finishingNotes({ finishing, depthMm }: MillingFeature): readonly Sentence[] {
  if (!finishing) return [];
  const past =
    finishing.pastFloorMm > 0
      ? [
          say(
            'Edge {0} below the floor: the worn corner is out of the cut.',
            measure(finishing.pastFloorMm, 'mm'),
          ),
        ]
      : [];
  switch (finishing.face) {
    case 'floor-and-wall':
      return [
        say(
          'Floor first, its stock left on the wall; then the wall with the tip {0} off the floor: corner and flank never finish at once.',
          measure(0.02, 'mm'),
        ),
        ...past,
      ];
    case 'rib':
      return [
        finishing.inTurn
          ? say(
              'Level by level, one side and then the other, down to {0}: what is below still holds the rib.',
              measure(depthMm, 'mm'),
            )
          : say('One side to full depth, then the other: fill or back the finished side.'),
        ...past,
      ];
    case 'corner':
      return [say('Lead in and out on arcs; the corner is cut from its thick end towards the walls.')];
    case 'surface':
      return [
        say(
          'From the bottom up: the stock then stands on the side of the flank, where the edge is fast and the chip thick.',
        ),
        ...(finishing.surface && finishing.surface.tiltDeg !== 0
          ? [
              say(
                `Tilted ${tiltWords(finishing.surface.tiltDeg)}: prove out holder, head and fixture at this tilt first.`,
                measure(Math.abs(finishing.surface.tiltDeg), 'deg'),
              ),
            ]
          : []),
      ];
    default:
      return past;
  }
}
