import type { DrillingState } from '../drilling-state.ts';
import { exact } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';

/** Drilled size may differ from the wanted hole by this much, mm. */
const SAME_SIZE = 0.05;

/** A drill makes the hole of its own diameter. */
export const holeSizeLimit: Limit<DrillingState> = {
  id: 'hole-size',
  group: 'cutter',
  name: 'drill size',
  assess({ op: { hole }, context: { cutter } }) {
    const drill = cutter.properties.DC ?? 0;
    const fits = Math.abs(drill - hole.diameterMm) <= SAME_SIZE;
    return {
      predicted: { estimate: exact(drill), unit: 'mm' },
      allowed: { value: hole.diameterMm, unit: 'mm', from: 'hole on the drawing' },
      share: null,
      verdict: fits ? 'clear' : 'over',
      why: () =>
        fits
          ? say('A {0} drill makes the {1} hole.', measure(drill, 'mm'), measure(hole.diameterMm, 'mm'))
          : say(
              'A {0} drill does not make a {1} hole.',
              measure(drill, 'mm'),
              measure(hole.diameterMm, 'mm'),
            ),
      formula: '|DC − hole| ≤ 0.05 mm',
      inputs: () => [
        input('DC', 'drill diameter', drill, 'mm'),
        input('hole', 'hole diameter', hole.diameterMm, 'mm'),
      ],
      source: 'cutter record (ISO 13399)',
    };
  },
};
