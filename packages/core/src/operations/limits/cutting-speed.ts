import { feedsDown } from '../hole-operation.ts';
import type { CutState } from '../cut-state.ts';
import { exact, over } from '../../judging/estimate.ts';
import { measure, say } from '../../units/sentence.ts';
import { SHORTEST_LIFE_MIN } from '../life-state.ts';
import { input, type Limit } from '../../judging/limit.ts';

/** Too fast for this engagement: the edge would be gone within a quarter of an hour. */
export const cuttingSpeedLimit: Limit<CutState> = {
  id: 'cutting-speed',
  group: 'heat and life',
  name: 'cutting speed',
  assess({ cuttingSpeedMMin, speedLimitMMin, lifeMin, lifeNotes, op }) {
    if (!speedLimitMMin) {
      return {
        predicted: { estimate: exact(cuttingSpeedMMin), unit: 'm/min' },
        allowed: null,
        share: null,
        verdict: 'unproven',
        why: () => say(`No speed can be checked: ${lifeNotes[0] ?? 'no life model'}.`),
        formula: 'vc ≤ vc for 15 minutes',
        inputs: () => [input('vc', 'cutting speed', cuttingSpeedMMin, 'm/min')],
        source: 'crib',
      };
    }
    if (!lifeMin)
      return {
        predicted: { estimate: exact(cuttingSpeedMMin), unit: 'm/min' },
        allowed: { value: speedLimitMMin.value, unit: 'm/min', from: 'speed from which chips melt and weld' },
        share: over(exact(cuttingSpeedMMin), speedLimitMMin),
        why: () =>
          say(
            'Cutting speed {0}; {1} allowed (the polymer softens).',
            measure(cuttingSpeedMMin, 'm/min'),
            measure(speedLimitMMin.value, 'm/min'),
          ),
        formula: 'vc ≤ high end of the window at ae/D',
        inputs: () => [input('vc', 'cutting speed', cuttingSpeedMMin, 'm/min')],
        source: 'crib, speed windows of polymers',
      };
    return {
      predicted: { estimate: exact(cuttingSpeedMMin), unit: 'm/min' },
      allowed: {
        value: speedLimitMMin.value,
        unit: 'm/min',
        from: `speed at which an edge lasts ${SHORTEST_LIFE_MIN} minutes here`,
      },
      share: over(exact(cuttingSpeedMMin), speedLimitMMin),
      why: () =>
        say(
          feedsDown(op)
            ? 'Cutting speed {0}; {1} allowed (15 min tool life).'
            : 'Cutting speed {0}; {1} allowed (15 min tool life at this engagement).',
          measure(cuttingSpeedMMin, 'm/min'),
          measure(speedLimitMMin.value, 'm/min'),
        ),
      formula: 'vc15 = vc30·2ⁿ·(hex/h₀)^−a·(ae/D/x₀)^−b·(ap/D/y₀)^−c',
      inputs: () => [
        input('vc', 'cutting speed', cuttingSpeedMMin, 'm/min'),
        input('vc15', 'vc for 15 min tool life', speedLimitMMin.value, 'm/min'),
      ],
      source: 'extended Taylor; crib, judgement rule G-180',
    };
  },
};
