import { exact } from '../../../judging/estimate.ts';
import { input, type Limit, used } from '../../../judging/limit.ts';
import { measure, say } from '../../../units/sentence.ts';
import type { MillingState } from '../milling-state.ts';

/** A level deeper than the feature cuts air. */
export const floorInOneLimit: Limit<MillingState> = {
  id: 'floor-in-one',
  group: 'cutter',
  name: 'axial depth within the feature',
  assess({ op: { cut, feature } }) {
    return {
      predicted: { estimate: exact(cut.axialDepthMm), unit: 'mm' },
      allowed: { value: feature.depthMm, unit: 'mm', from: 'depth of the feature' },
      ...used(exact(cut.axialDepthMm), feature.depthMm),
      why: () =>
        say(
          'Axial depth {0}; feature {1} deep.',
          measure(cut.axialDepthMm, 'mm'),
          measure(feature.depthMm, 'mm'),
        ),
      formula: 'ap ≤ depth',
      inputs: () => [input('ap', 'axial depth', cut.axialDepthMm, 'mm')],
      source: 'geometry',
    };
  },
};
