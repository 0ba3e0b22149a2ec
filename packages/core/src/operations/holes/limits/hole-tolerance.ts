import type { HoleState } from '../hole-state.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { held } from './assessments.ts';

/** The made diameter against the drawing's tolerance. */
export const holeToleranceLimit: Limit<HoleState> = {
  id: 'hole-tolerance',
  group: 'accuracy',
  name: 'hole size',
  assess({ sizeErrorMm, sizeAllowedMm, op }) {
    if (!sizeErrorMm || sizeAllowedMm === null) return null;
    return held(sizeErrorMm, sizeAllowedMm, 'mm-fine', 'tolerance on the drawing', {
      why: () =>
        say(
          op.kind === 'drilling'
            ? 'Hole within {0} of the drill’s size; {1} required.'
            : 'Diameter within {0}; {1} required.',
          measure(sizeErrorMm.value, 'mm-fine'),
          measure(sizeAllowedMm, 'mm-fine'),
        ),
      formula:
        op.kind === 'drilling' ? 'IT grade of the drill ≤ tolerance' : 'deviation ≤ half the tolerance',
      inputs: () => [input('Δ', 'deviation of the diameter', sizeErrorMm.value, 'mm-fine')],
      source: 'ISO 286-1; judgement rules G-66, G-81',
    });
  },
};
