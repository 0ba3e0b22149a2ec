import type { CutState } from '../cut-state.ts';
import { powerAt } from '../../physics/cutting/spindle-curve.ts';
import { measure, say } from '../../units/sentence.ts';
import { input, type Limit, used } from '../../judging/limit.ts';

const RATING = { s1: 'continuous rating', s6_40: 'ten-minute 40% rating' } as const;

/** Power asked against what the spindle has at this very speed. */
export const spindlePowerLimit: Limit<CutState> = {
  id: 'spindle-power',
  group: 'machine',
  name: 'spindle power',
  asks: 'forces',
  assess({ speedRpm, powerKw, rating, context: { machine } }) {
    const available = powerAt(machine.power_torque[rating], speedRpm);
    return {
      predicted: { estimate: powerKw, unit: 'kW' },
      allowed: { value: available, unit: 'kW', from: `${machine.name}, ${RATING[rating]} at this speed` },
      ...used(powerKw, available),
      why: () =>
        say(
          'Power needed {0}; {2} available at {1}.',
          measure(powerKw.value, 'kW'),
          measure(speedRpm, 'rpm'),
          measure(available, 'kW'),
        ),
      formula: 'P = 2π·n·M / (60 000·η)',
      inputs: () => [
        input('n', 'spindle speed', speedRpm, 'rpm'),
        input('P', 'power asked', powerKw.value, 'kW'),
        input('P(n)', 'power available', available, 'kW'),
        input('η', 'drive efficiency', 0.8, 'ratio'),
      ],
      source: 'Kienzle & Victor 1957; spindle curve of the machine record',
    };
  },
};
