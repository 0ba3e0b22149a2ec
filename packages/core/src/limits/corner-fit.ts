import { outerDiameter } from '../domain/cutter.ts';
import type { MillingState } from '../evaluation/milling-state.ts';
import { exact } from '../uncertainty/estimate.ts';
import { measure, say } from '../units/sentence.ts';
import { input, type Limit } from './limit.ts';

/** A cutter as large as the corner engages all at once there; a larger one does not fit. Rule G-08. */
export const cornerFitLimit: Limit<MillingState> = {
  id: 'corner-fit',
  group: 'cutter',
  name: 'cutter in corner',
  assess({ op: { feature }, context: { cutter } }) {
    const corner = feature.cornerRadiusMm;
    if (corner === null) return null;
    const radius = outerDiameter(cutter) / 2;
    const share = radius / corner;
    return {
      predicted: { estimate: exact(radius), unit: 'mm' },
      allowed: { value: corner, unit: 'mm', from: 'corner radius on the drawing' },
      share: exact(share),
      verdict: share > 1 ? 'over' : share > 0.85 ? 'tight' : 'clear',
      why:
        share > 1
          ? say(
              'A cutter of {0} radius cannot make a {1} corner.',
              measure(radius, 'mm'),
              measure(corner, 'mm'),
            )
          : say(
              'A cutter of {0} radius in a {1} corner; above 0.85 of it the arc of contact jumps.',
              measure(radius, 'mm'),
              measure(corner, 'mm'),
            ),
      formula: 'r tool ≤ 0.85·r corner',
      inputs: [input('r', 'cutter radius', radius, 'mm'), input('R', 'corner radius', corner, 'mm')],
      source: 'judgement rule G-08',
    };
  },
};
