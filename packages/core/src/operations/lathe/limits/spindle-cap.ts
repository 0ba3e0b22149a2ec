import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { held } from '../../holes/limits/assessments.ts';
import type { LatheState } from '../lathe-state.ts';

/** No faster than the spindle of the part turns. */
export const spindleCapLimit: Limit<LatheState> = {
  id: 'spindle-cap',
  group: 'machine',
  name: 'spindle cap',
  assess({ fastestRpm, capAtMm, context: { machine } }) {
    return held(fastestRpm, machine.max_rpm, 'rpm', `${machine.name}, spindle of the part`, {
      why: () =>
        say(
          capAtMm === null
            ? 'Part turns up to {0}; {1} allowed (spindle). Never above what chuck and jaws are rated for.'
            : 'Part turns up to {0}, the cap, from {2} down; {1} allowed (spindle). Never above what chuck and jaws are rated for.',
          measure(fastestRpm, 'rpm'),
          measure(machine.max_rpm, 'rpm'),
          measure(capAtMm ?? 0, 'mm'),
        ),
      formula: 'min(cap, 1000·vc/(π·d)) ≤ n max',
      inputs: () => [input('n', 'fastest in this stretch', fastestRpm, 'rpm')],
      source: 'machine record; the chuck’s plate decides',
    });
  },
};
