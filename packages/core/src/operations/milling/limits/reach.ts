import { isSurface } from '../engaged-edge.ts';
import type { MillingState } from '../milling-state.ts';
import { isIndexable } from '../../../crib/cutter.ts';
import { exact } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit, used } from '../../../judging/limit.ts';

/** Left between the holder's nose and the top of the wall, mm. */
const CLEARANCE = 1;

/** The floor has to be reached without shank or holder touching the wall. */
export const reachLimit: Limit<MillingState> = {
  id: 'reach',
  group: 'cutter',
  name: 'reach',
  ofCutter: true,
  assess({ op, context: { cutter } }) {
    // Beside a slope room is what counts: `surface-clear`.
    if (isSurface(op)) return null;
    const depth = op.feature.undercut?.floorMm ?? op.feature.finishing?.floorMm ?? op.feature.depthMm;
    const relieved = isIndexable(cutter)
      ? Infinity
      : (cutter.properties.LU ?? cutter.properties.APMX ?? Infinity);
    const out = op.tooling.stickOutMm - CLEARANCE;
    const reach = Math.min(relieved, out);
    const by = relieved < out ? 'relieved length of the cutter' : 'stick-out less 1 mm to the holder';
    return {
      predicted: { estimate: exact(depth), unit: 'mm' },
      allowed: { value: reach, unit: 'mm', from: by },
      ...used(exact(depth), reach),
      why: () => say(`Depth {0}; reach {1} (${by}).`, measure(depth, 'mm'), measure(reach, 'mm')),
      formula: 'depth ≤ smaller of LU and stick-out − 1',
      inputs: () => [
        input('depth', 'feature depth', depth, 'mm'),
        input('L', 'stick-out', op.tooling.stickOutMm, 'mm'),
        ...(Number.isFinite(relieved) ? [input('LU', 'relieved length', relieved, 'mm')] : []),
      ],
      source: 'cutter record (ISO 13399)',
    };
  },
};
