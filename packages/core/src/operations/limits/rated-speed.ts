import type { CutState } from '../cut-state.ts';
import { exact } from '../../judging/estimate.ts';
import { measure, say } from '../../units/sentence.ts';
import { input, type Limit, used } from '../../judging/limit.ts';

/** Cutter and holder may not turn faster than they are rated, whatever the spindle can do. */
export const ratedSpeedLimit: Limit<CutState> = {
  id: 'rated-speed',
  group: 'cutter',
  name: 'maximum rated speed',
  ofCutter: true,
  assess({ speedRpm, context: { cutter, holder } }) {
    const cutterMax = cutter.properties.RPMX ?? Infinity;
    // A block that does not turn is recorded with 0 and limits nothing.
    const holderMax = holder.max_rpm > 0 ? holder.max_rpm : Infinity;
    const rated = Math.min(cutterMax, holderMax);
    if (!Number.isFinite(rated)) return null;
    const who = cutterMax <= holderMax ? cutter.name : holder.name;
    return {
      predicted: { estimate: exact(speedRpm), unit: 'rpm' },
      allowed: { value: rated, unit: 'rpm', from: who },
      ...used(exact(speedRpm), rated),
      why: () =>
        say(`Spindle speed {0}; ${who} is rated for {1}.`, measure(speedRpm, 'rpm'), measure(rated, 'rpm')),
      formula: 'n ≤ smaller of RPMX and holder rating',
      inputs: () => [
        input('n', 'spindle speed', speedRpm, 'rpm'),
        input('RPMX', 'rated speed', rated, 'rpm'),
      ],
      source: 'cutter and holder records',
    };
  },
};
