import type { MillingState } from '../milling-state.ts';
import { outerDiameter } from '../../../crib/cutter.ts';
import { straightArc } from '../../../physics/path/corner-engagement.ts';
import { STEADY_RATIO } from '../path-plan.ts';
import { exact } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';

const DEG = 180 / Math.PI;
/** Arc in the corner over that of the straight cut, and the arc itself, degrees, from which it is another cut. Rule G-08. */
const OVER_RATIO = 2;
const OVER_DEG = 60;
/** Below this arc a finishing cut may double it and still be light. */
const TIGHT_DEG = 40;

/** Near the corner's end the cutter is surrounded: the engagement angle jumps, and force, chip and heat with it. */
export const cornerEngagementLimit: Limit<MillingState> = {
  id: 'corner-spike',
  group: 'path',
  name: 'corner engagement',
  assess({ plan, op, context: { cutter } }) {
    if (!plan.corner) return null;
    const { corner } = plan;
    const d = outerDiameter(cutter);
    const straight = straightArc({ toolDiameterMm: d, radialMm: Math.min(op.cut.radialEngagementMm, d) });
    const ratio = corner.arc / straight;
    const arcDeg = corner.arc * DEG;
    const share = Math.min(ratio / OVER_RATIO, arcDeg / OVER_DEG);
    const most = Math.max(OVER_RATIO * straight * DEG, OVER_DEG);
    const jumps = ratio > STEADY_RATIO && arcDeg > TIGHT_DEG;
    // Full width has no more to give: there is nothing to jump to.
    if (straight > Math.PI * 0.9) return null;
    return {
      predicted: { estimate: exact(corner.arc * DEG), unit: 'deg' },
      allowed: {
        value: most,
        unit: 'deg',
        from: 'twice the arc of the straight cut, and no less than 60°',
      },
      share: exact(share),
      verdict: share > 1 ? 'over' : jumps ? 'tight' : 'clear',
      why: () =>
        jumps
          ? say(
              'Engagement rises from {0} to {1} in the corner; {3} allowed. A {2} path radius keeps it steady.',
              measure(straight * DEG, 'deg'),
              measure(corner.arc * DEG, 'deg'),
              measure(Math.min(corner.steadyPathMm, 999), 'mm'),
              measure(most, 'deg'),
            )
          : say(
              'Engagement {0} on the straight, at most {1} in the corner.',
              measure(straight * DEG, 'deg'),
              measure(corner.arc * DEG, 'deg'),
            ),
      formula: 'widest arc in the corner ≤ max(2 × straight arc, 60°)',
      inputs: () => [
        input('ρ', 'path radius in the corner', corner.pathRadiusMm, 'mm'),
        input('ae c', 'stepover in the corner', corner.radialMm, 'mm'),
        input('chip', 'max chip thickness over the straight one', corner.chipPeak, 'ratio'),
      ],
      source: 'circle intersection; judgement rule G-08',
    };
  },
};
