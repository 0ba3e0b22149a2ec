import type { DrillingState } from '../drilling-state.ts';
import { pressureNeeded } from '../../../physics/holes/peck-plan.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { atLeast } from '../../holes/limits/assessments.ts';

/** Pressure through the tool against what the channels of this diameter need. */
export const coolantPressureLimit: Limit<DrillingState> = {
  id: 'coolant-pressure',
  group: 'cutter',
  name: 'coolant pressure at tip',
  assess({ throughBar, conditions: { diameterMm, difficult }, depthClass, op }) {
    if (op.coolant !== 'through-tool' || op.role === 'spot') return null;
    const needed = pressureNeeded(diameterMm);
    const enough = throughBar >= needed;
    // A shallow hole lives with less: the flutes carry its chips.
    const matters = depthClass > (difficult ? 1 : 2.5);
    return {
      ...atLeast(throughBar, needed, 'bar', 'channels of this diameter'.concat('; rule G-62'), {
        why: () =>
          throughBar === 0
            ? say('No coolant pressure at the tip: machine, holder and drill must all pass it.')
            : say(
                enough
                  ? 'Coolant pressure at tip {0}; {1} needed at this diameter.'
                  : 'Coolant pressure at tip {0}; {1} needed at this diameter, so chips evacuate less well.',
                measure(throughBar, 'bar'),
                measure(needed, 'bar'),
              ),
        formula: '20 bar from 8 mm, 40 from 3 mm, 70 below',
        inputs: () => [input('D', 'drill diameter', diameterMm, 'mm')],
        source: 'judgement rule G-62',
      }),
      verdict: enough || !matters ? 'clear' : throughBar === 0 ? 'over' : 'tight',
    };
  },
};
