import { outerDiameter } from '../../../crib/cutter.ts';
import type { MillingState } from '../milling-state.ts';
import { exact } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { chipWindow } from '../chip-window.ts';
import { input, type Limit, used } from '../../../judging/limit.ts';

/** Share of what the cutter's record allows from which care is due. */
const CARE = 0.9;

/** The record speaks of the usual chip; a thinner one needs less room, but not without end. */
const LEAST_ROOM = 0.75;
const MOST_ROOM = 1.5;

/**
 * Many flutes mean little room: the cutter's record names the width it takes at full depth and the depth it takes at full
 * width; between both the depth follows a straight line in logarithms. Rule G-03.
 */
export const flutesEngagementLimit: Limit<MillingState> = {
  id: 'flutes-engagement',
  group: 'cutter',
  name: 'axial depth for flute count',
  assess({ op: { cut, path }, context, teeth, chipMm }) {
    const { cutter } = context;
    const slot = cutter.max_slot_depth_over_d;
    const narrow = cutter.max_ae_over_d_at_full_apmx;
    const edge = cutter.properties.APMX;
    if (!slot || !narrow || !edge || path.strategy === 'plunge') return null;
    const d = outerDiameter(cutter);
    const x = Math.min(1, cut.radialEngagementMm / d);
    const t = x <= narrow || narrow >= 1 ? 0 : Math.log(x / narrow) / Math.log(1 / narrow);
    const usual = chipWindow(context).target / Math.max(1e-9, chipMm);
    const room = t > 0 ? Math.min(MOST_ROOM, Math.max(LEAST_ROOM, usual)) : 1;
    const allowed = Math.min(edge, room * edge * ((slot * d) / edge) ** t);
    const share = cut.axialDepthMm / allowed;
    return {
      predicted: { estimate: exact(cut.axialDepthMm), unit: 'mm' },
      allowed: { value: allowed, unit: 'mm', from: `${cutter.name}, at this width` },
      ...used(exact(cut.axialDepthMm), allowed),
      verdict: share > 1 + 1e-9 ? 'over' : share > CARE && t > 0 ? 'tight' : 'clear',
      why: () =>
        say(
          `Axial depth {2}; {1} allowed (${teeth} flutes at {0} radial depth).`,
          measure(cut.radialEngagementMm, 'mm'),
          measure(allowed, 'mm'),
          measure(cut.axialDepthMm, 'mm'),
        ),
      formula: 'ap ≤ APMX·(slot depth/APMX)^(log(ae/ae full)/log(D/ae full))·(usual chip/chip)',
      inputs: () => [
        input('ae', 'radial depth', cut.radialEngagementMm, 'mm'),
        input('slot', 'depth at full width', slot * d, 'mm'),
        input('ae full', 'width at full depth', narrow * d, 'mm'),
        input('room', 'usual over this chip, 0.75 to 1.5', room, 'ratio'),
      ],
      source: 'cutter record; judgement rule G-03',
    };
  },
};
