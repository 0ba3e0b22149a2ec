import type { MillingState } from '../milling-state.ts';
import { exact } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit, used } from '../../../judging/limit.ts';

/** The edge is only so long. */
export const cuttingLengthLimit: Limit<MillingState> = {
  id: 'usable-length',
  group: 'cutter',
  name: 'cutting length',
  assess({ op: { cut }, context: { cutter } }) {
    const edge = cutter.properties.APMX ?? 0;
    return {
      predicted: { estimate: exact(cut.axialDepthMm), unit: 'mm' },
      allowed: { value: edge, unit: 'mm', from: `${cutter.name}, APMX` },
      ...used(exact(cut.axialDepthMm), edge),
      why: () =>
        say('Axial depth {0}; cutting length {1}.', measure(cut.axialDepthMm, 'mm'), measure(edge, 'mm')),
      formula: 'ap ≤ APMX',
      inputs: () => [
        input('ap', 'axial depth', cut.axialDepthMm, 'mm'),
        input('APMX', 'cutting length', edge, 'mm'),
      ],
      source: 'cutter record (ISO 13399)',
    };
  },
};
