import type { ChamferingState } from '../chamfering-state.ts';
import { measure, say } from '../../../units/sentence.ts';
import type { Limit } from '../../../judging/limit.ts';
import { inWindow, verdict } from '../../holes/limits/assessments.ts';

/** The dull tip goes into the hole and the edge reaches the rim. */
export const chamferFitsLimit: Limit<ChamferingState> = {
  id: 'chamfer-fits',
  group: 'path',
  name: 'mill fits the rim',
  assess({ fits, op: { hole } }) {
    return verdict(fits ? 'clear' : 'over', {
      why: () =>
        fits
          ? say('Its tip goes into the hole of {0}.', measure(hole.diameterMm, 'mm'))
          : say('Its dull tip does not go into a hole of {0}.', measure(hole.diameterMm, 'mm')),
      formula: 'tip + 2 mm ≤ hole',
      source: 'geometry',
    });
  },
};

/** Feed of the chamfer mill. */
export const chamferFeedLimit: Limit<ChamferingState> = {
  id: 'chamfer-feed',
  group: 'cutter',
  name: 'chamfer feed',
  assess: ({ op: { cut }, context: { cutter } }) =>
    inWindow(cut.feedPerToothMm, cutter.extended.fz_window_mm, 'mm/tooth', 'chamfer mill', 'cutter record'),
};
