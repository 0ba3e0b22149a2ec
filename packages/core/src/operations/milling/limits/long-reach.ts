import { isHighSpeedSteel } from '../../context.ts';
import type { MillingState } from '../milling-state.ts';
import { exact } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';

/** Stiffness falls with the cube of stick-out: 4 diameters is a matter of care, 6 is for light finishing only. */
export const longReachLimit: Limit<MillingState> = {
  id: 'long-reach',
  group: 'vibration',
  name: 'stick-out ratio',
  assess({ op: { tooling }, context }) {
    const diameter = context.cutter.properties.DC ?? 1;
    const ratio = tooling.stickOutMm / diameter;
    const most = isHighSpeedSteel(context) ? 4.5 : 6;
    return {
      predicted: { estimate: exact(ratio), unit: 'ratio' },
      allowed: { value: most, unit: 'ratio', from: 'long-reach rule for this cutting material' },
      share: exact(ratio / most),
      verdict: ratio > most ? 'over' : ratio > 4 ? 'tight' : 'clear',
      why: () =>
        ratio > 4
          ? say(
              'Stick-out {0}, {1}×D; {2}×D allowed. Above 4×D expect chatter first: tap-test it.',
              measure(tooling.stickOutMm, 'mm'),
              measure(ratio, 'ratio'),
              measure(most, 'ratio'),
            )
          : say('Stick-out {0}, {1}×D.', measure(tooling.stickOutMm, 'mm'), measure(ratio, 'ratio')),
      formula: 'L / DC',
      inputs: () => [
        input('L', 'stick-out', tooling.stickOutMm, 'mm'),
        input('DC', 'diameter', diameter, 'mm'),
      ],
      source: 'judgement rule G-09',
    };
  },
};
