import type { CutState } from '../cut-state.ts';
import { torqueAt } from '../../physics/cutting/spindle-curve.ts';
import { measure, say } from '../../units/sentence.ts';
import { input, type Limit, used } from '../../judging/limit.ts';

/** Torque asked against what the spindle has at this speed: the limit of slow cuts in hard alloys. */
export const spindleTorqueLimit: Limit<CutState> = {
  id: 'spindle-torque',
  group: 'machine',
  name: 'spindle torque',
  asks: 'forces',
  assess({ speedRpm, torqueNm, rating, context: { machine } }) {
    const available = torqueAt(machine.power_torque[rating], speedRpm);
    return {
      predicted: { estimate: torqueNm, unit: 'Nm' },
      allowed: { value: available, unit: 'Nm', from: `${machine.name} at this speed` },
      ...used(torqueNm, available),
      why: () =>
        say(
          'Torque needed {0}; {1} available at {2}.',
          measure(torqueNm.value, 'Nm'),
          measure(available, 'Nm'),
          measure(speedRpm, 'rpm'),
        ),
      formula: 'M ≤ M(n), M(n) = 9549·P(n)/n',
      inputs: () => [
        input('M', 'mean cutting torque', torqueNm.value, 'Nm'),
        input('M(n)', 'torque available', available, 'Nm'),
        input('n', 'spindle speed', speedRpm, 'rpm'),
      ],
      source: 'spindle curve of the machine record',
    };
  },
};
