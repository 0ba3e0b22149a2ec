import type { DrillingState } from '../drilling-state.ts';
import { exact, scale, type Source, uncertain } from '../../../judging/estimate.ts';
import { chipReach } from '../../../physics/holes/peck-plan.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';

const REACH: Source = {
  id: 'chip-reach',
  label: 'depth from which chips still leave by themselves',
  kind: 'model',
  sigma: 0.12,
  narrowBy: 'watch the spindle load down one hole',
};

/** Chips have to leave before they pack: the longest stretch drilled without clearing. */
export const chipEvacuationLimit: Limit<DrillingState> = {
  id: 'chips-out',
  group: 'cutter',
  name: 'chip evacuation',
  assess({ conditions, longestStretch }) {
    const reach = chipReach(conditions);
    const diameter = conditions.diameterMm;
    const stretch = longestStretch * diameter;
    return {
      predicted: { estimate: exact(stretch), unit: 'mm' },
      allowed: { value: reach.first * diameter, unit: 'mm', from: reach.why },
      share: scale(uncertain(longestStretch, REACH), 1 / reach.first),
      why: () =>
        say(
          `Longest peck {0}; {1} allowed (${reach.why}).`,
          measure(stretch, 'mm'),
          measure(reach.first * diameter, 'mm'),
        ),
      formula: 'longest stretch ≤ reach·D, reach from coolant, pressure, alloy',
      inputs: () => [
        input('D', 'drill diameter', diameter, 'mm'),
        input('reach', 'peck depth over diameter', reach.first, 'ratio'),
        input('p', 'pressure through the tool', conditions.throughBar, 'bar'),
      ],
      source: 'judgement rules G-60, G-62',
    };
  },
};
