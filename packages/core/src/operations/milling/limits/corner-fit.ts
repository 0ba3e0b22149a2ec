import { outerDiameter } from '../../../crib/cutter.ts';
import type { MillingState } from '../milling-state.ts';
import { exact } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';

/** A cutter larger than the corner cannot make it; whether it spikes there is the corner limit's matter. Rule G-08. */
export const cornerFitLimit: Limit<MillingState> = {
  id: 'corner-fit',
  reads: 'setup',
  group: 'cutter',
  name: 'corner fit',
  ofCutter: true,
  assess({ op: { feature }, context: { cutter } }) {
    const corner = feature.cornerRadiusMm;
    if (corner === null) return null;
    const radius = outerDiameter(cutter) / 2;
    const share = radius / corner;
    return {
      predicted: { estimate: exact(radius), unit: 'mm' },
      allowed: { value: corner, unit: 'mm', from: 'corner radius on the drawing' },
      share: share > 1 + 1e-9 ? exact(share) : null,
      verdict: share > 1 + 1e-9 ? (feature.allowanceMm > 0 ? 'tight' : 'over') : 'clear',
      why: () =>
        share > 1 + 1e-9
          ? say(
              feature.allowanceMm > 0
                ? 'Cutter radius {0}; the {1} corner is left to a smaller cutter.'
                : 'Cutter radius {0}; too large for the {1} corner.',
              measure(radius, 'mm'),
              measure(corner, 'mm'),
            )
          : say('Cutter radius {0}; fits the {1} corner.', measure(radius, 'mm'), measure(corner, 'mm')),
      formula: 'r tool ≤ r corner',
      inputs: () => [input('r', 'cutter radius', radius, 'mm'), input('R', 'corner radius', corner, 'mm')],
      source: 'judgement rule G-08',
    };
  },
};
