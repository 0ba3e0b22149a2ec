import type { MillingState } from '../milling-state.ts';
import { exact } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit, used } from '../../../judging/limit.ts';

/** Edge radii a finishing pass needs to make a chip rather than rub; rule G-80 gives three to five. */
const EDGE_RADII = 4;

/** What the rougher leaves must be a chip for the finisher, and reach under what the rougher hardened. */
export const finishAllowanceLimit: Limit<MillingState> = {
  id: 'finish-allowance',
  group: 'accuracy',
  name: 'stock to leave',
  assess({ op: { feature }, context: { alloy, cutter }, plan }) {
    if (feature.allowanceMm <= 0) return null;
    const edge = ((cutter.extended.edge_radius_um?.[1] ?? 10) * EDGE_RADII) / 1000;
    const hardened = alloy.work_hardening.hardened_layer_depth_mm.worn_edge;
    const needed = Math.max(edge, hardened) + plan.leavesStepMm;
    return {
      predicted: { estimate: exact(needed), unit: 'mm-fine' },
      allowed: { value: feature.allowanceMm, unit: 'mm-fine', from: 'what is left on the wall' },
      ...used(exact(needed), feature.allowanceMm),
      why: () =>
        say(
          'Stock to leave {1}; finishing needs {0} (a chip, below the work-hardened layer).',
          measure(needed, 'mm-fine'),
          measure(feature.allowanceMm, 'mm-fine'),
        ),
      formula: 'allowance ≥ max(4·r edge, hardened layer) + steps',
      inputs: () => [
        input('4·r', 'four edge radii', edge, 'mm-fine'),
        input('layer', 'hardened by a worn edge', hardened, 'mm-fine'),
        input('steps', 'steps of the rougher', plan.leavesStepMm, 'mm-fine'),
      ],
      source: 'judgement rule G-80',
    };
  },
};
