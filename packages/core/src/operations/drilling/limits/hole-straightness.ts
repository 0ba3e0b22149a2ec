import type { DrillingState } from '../drilling-state.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { held } from '../../holes/limits/assessments.ts';

/** How far the axis runs off on its way down. */
export const holeStraightnessLimit: Limit<DrillingState> = {
  id: 'hole-straightness',
  group: 'accuracy',
  name: 'hole straightness',
  assess({ driftMm, sideN, op: { hole, role } }) {
    if (hole.straightnessMm === null || role === 'spot') return null;
    return held(driftMm, hole.straightnessMm, 'mm-fine', 'run-off allowed on the drawing', {
      why: () =>
        say(
          sideN > 0
            ? 'Hole drift {0}; {1} allowed (the sloped entry pushes the point aside with {2}).'
            : 'Hole drift {0} at the bottom; {1} allowed.',
          measure(driftMm.value, 'mm-fine'),
          measure(hole.straightnessMm ?? 0, 'mm-fine'),
          measure(sideN, 'N'),
        ),
      formula: 'drift·L·(L/3D)·guide + tilt at the start·L',
      inputs: () => [
        input('L', 'depth', hole.depthMm, 'mm'),
        input('F', 'push at the slope', sideN, 'N'),
        input('cross', 'cross holes', hole.crossHoles, 'pieces'),
      ],
      source: 'judgement rules G-61, G-67; magnitude assumed',
    });
  },
};
