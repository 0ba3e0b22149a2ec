import type { MillingState } from '../evaluation/milling-state.ts';
import { measure, say } from '../units/sentence.ts';
import { input, type Limit, shareOf } from './limit.ts';

/** Share of the finishing allowance the rougher's lean may use up. */
const ROUGHING_SHARE = 0.5;

/** The tool leans off the wall or into it: what that leaves against what may be left. */
export const wallErrorLimit: Limit<MillingState> = {
  id: 'wall-error',
  group: 'accuracy',
  name: 'lean off wall',
  assess({ op: { feature, tooling }, leanMm, leanParts, wallForceN }) {
    const roughing = feature.allowanceMm > 0;
    const allowed = roughing ? ROUGHING_SHARE * feature.allowanceMm : feature.wallToleranceMm;
    return {
      predicted: { estimate: leanMm, unit: 'mm-fine' },
      allowed: {
        value: allowed,
        unit: 'mm-fine',
        from: roughing ? 'half of what is left for the finisher' : 'wall tolerance',
      },
      share: shareOf(leanMm, allowed),
      why: roughing
        ? say(
            'The tool leans {0}; half of the {1} left for the finisher is {2}.',
            measure(leanMm.value, 'mm-fine'),
            measure(feature.allowanceMm, 'mm-fine'),
            measure(allowed, 'mm-fine'),
          )
        : say(
            'The tool leans {0}; the wall may be wrong by {1}.',
            measure(leanMm.value, 'mm-fine'),
            measure(allowed, 'mm-fine'),
          ),
      formula: 'δ = Fn·(beam + clamp + holder + spindle)',
      inputs: [
        input('Fn', 'peak force on the wall', wallForceN.value, 'N'),
        input('L', 'stick-out', tooling.stickOutMm, 'mm'),
        input('δ tool', 'bend of the tool', leanParts.tool, 'mm-fine'),
        input('δ clamp', 'joint in the holder', leanParts.clamp, 'mm-fine'),
        input('δ holder', 'holder body', leanParts.holder, 'mm-fine'),
        input('δ spindle', 'spindle and machine', leanParts.spindle, 'mm-fine'),
      ],
      source: 'stepped Euler–Bernoulli beam on springs; Kops & Vo 1990 for the fluted section',
    };
  },
};
