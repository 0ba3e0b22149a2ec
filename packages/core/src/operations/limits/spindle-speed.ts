import type { CutState } from '../cut-state.ts';
import { exact } from '../../judging/estimate.ts';
import { measure, say } from '../../units/sentence.ts';
import { input, type Limit, used } from '../../judging/limit.ts';

/** The machine does not have every speed. */
export const spindleSpeedLimit: Limit<CutState> = {
  id: 'spindle-speed',
  group: 'machine',
  name: 'spindle speed',
  assess({ speedRpm, context: { machine } }) {
    const slowest = machine.min_rpm ?? 0;
    const tooSlow = speedRpm < slowest;
    return {
      predicted: { estimate: exact(speedRpm), unit: 'rpm' },
      allowed: { value: tooSlow ? slowest : machine.max_rpm, unit: 'rpm', from: machine.name },
      ...used(exact(speedRpm), machine.max_rpm),
      ...(tooSlow ? { verdict: 'over' as const } : {}),
      why: () =>
        tooSlow
          ? say(
              'Spindle speed {1}; the spindle turns no slower than {0}.',
              measure(slowest, 'rpm'),
              measure(speedRpm, 'rpm'),
            )
          : say(
              'Spindle speed {0}; {1} allowed (machine maximum).',
              measure(speedRpm, 'rpm'),
              measure(machine.max_rpm, 'rpm'),
            ),
      formula: 'n ≤ n max of the machine',
      inputs: () => [
        input('n', 'spindle speed', speedRpm, 'rpm'),
        input('n max', 'machine maximum', machine.max_rpm, 'rpm'),
      ],
      source: 'machine record',
    };
  },
};
