import type { MillingState } from '../evaluation/milling-state.ts';
import { maximumChip } from '../milling/chip-thickness.ts';
import { leanAfterSprings } from '../structure/spring-lean.ts';
import { scale } from '../uncertainty/estimate.ts';
import { measure, say } from '../units/sentence.ts';
import { input, type Limit, shareOf } from './limit.ts';

/** Share of the finishing allowance the rougher's lean may use up. */
const ROUGHING_SHARE = 0.5;

/** The tool leans off the wall or into it: what that leaves against what may be left. */
export const wallErrorLimit: Limit<MillingState> = {
  id: 'wall-error',
  group: 'accuracy',
  name: 'lean off wall',
  assess({ op, leanMm: first, leanParts, wallForceN, context: { cutter }, diameterInCutMm }) {
    const { feature, tooling, path, cut } = op;
    const roughing = feature.allowanceMm > 0;
    const springs = roughing ? 0 : path.springPasses;
    const after = leanAfterSprings(
      first.value,
      cut.radialEngagementMm,
      springs,
      (cutter.extended.edge_radius_um?.[1] ?? 10) / 1000,
      (width) => maximumChip(cut.feedPerToothMm, Math.min(width, diameterInCutMm), diameterInCutMm),
    );
    const leanMm = scale(first, first.value > 0 ? after.leftMm / first.value : 1);
    const allowed = roughing ? ROUGHING_SHARE * feature.allowanceMm : feature.wallToleranceMm;
    return {
      predicted: { estimate: leanMm, unit: 'mm-fine' },
      allowed: {
        value: allowed,
        unit: 'mm-fine',
        from: roughing ? 'half of what is left for the finisher' : 'wall tolerance',
      },
      share: shareOf(leanMm, allowed),
      why: () =>
        roughing
          ? say(
              'The tool leans {0}; half of the {1} left for the finisher is {2}.',
              measure(leanMm.value, 'mm-fine'),
              measure(feature.allowanceMm, 'mm-fine'),
              measure(allowed, 'mm-fine'),
            )
          : say(
              springs === 0
                ? 'The tool leans {0}; the wall may be wrong by {1}.'
                : after.useful === 0
                  ? 'The tool leans {0}, and a spring pass would only rub; the wall may be wrong by {1}.'
                  : 'After the spring pass {0} are left; the wall may be wrong by {1}.',
              measure(leanMm.value, 'mm-fine'),
              measure(allowed, 'mm-fine'),
            ),
      formula: 'δ = Fn·(beam + clamp + holder + spindle)',
      inputs: () => [
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
