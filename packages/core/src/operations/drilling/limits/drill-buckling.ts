import type { DrillingState } from '../drilling-state.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit, used } from '../../../judging/limit.ts';

/** Share of Euler's load a running drill may be pushed with. */
const SAFE_SHARE = 1 / 3;

/** A slender drill pushed too hard bows out. */
export const drillBucklingLimit: Limit<DrillingState> = {
  id: 'drill-buckling',
  group: 'strength',
  name: 'buckling',
  assess({ thrustN, bucklingN, op }) {
    const allowed = bucklingN * SAFE_SHARE;
    return {
      predicted: { estimate: thrustN, unit: 'N' },
      allowed: { value: allowed, unit: 'N', from: 'a third of Euler’s load' },
      ...used(thrustN, allowed),
      why: () =>
        say('Thrust {0}; {1} allowed (buckling).', measure(thrustN.value, 'N'), measure(allowed, 'N')),
      formula: 'F ≤ π²·E·I/(K·L)²/3, I from 0.62·DC',
      inputs: () => [
        input('F', 'thrust', thrustN.value, 'N'),
        input('Fk', 'Euler’s load', bucklingN, 'N'),
        input('L', 'stick-out', op.tooling.stickOutMm, 'mm'),
      ],
      source: 'Euler 1757; Timoshenko & Gere 1961',
    };
  },
};
