import type { ChamferingState } from '../chamfering-state.ts';
import { measure, say } from '../../../units/sentence.ts';
import type { Limit } from '../../../judging/limit.ts';
import { inWindow, verdict } from '../../holes/limits/assessments.ts';

/** The dull tip goes into the hole and the edge reaches the rim. */
export const chamferFitsLimit: Limit<ChamferingState> = {
  id: 'chamfer-fits',
  group: 'path',
  name: 'cutter fits hole',
  assess({ fits, op: { hole } }) {
    return verdict(fits ? 'clear' : 'over', {
      why: () =>
        fits
          ? say('The tip fits the {0} hole.', measure(hole.diameterMm, 'mm'))
          : say('The tip does not fit a {0} hole.', measure(hole.diameterMm, 'mm')),
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
