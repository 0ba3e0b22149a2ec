import { measure, say } from '../../../units/sentence.ts';
import { makePlaces, type RuleMaker } from '../finding.ts';
import { topAt } from '../../engage/stock.ts';

/** A rapid lower than this over material that is still there is told, mm. */
const HAIR = 0.01;

/** Rapids into material, and across the part below the clear plane. */
export const collisionsRule: RuleMaker = ({ stock, clearPlaneMm }) => {
  const into = makePlaces<number>();
  const low = makePlaces<number>();
  return {
    see(block) {
      const { motion, engagement } = block;
      if (motion.kind !== 'rapid') return;
      const touches = engagement.most.arc > 0 || engagement.plungeShare > 0;
      const depth = engagement.most.depthMm;
      if (touches && (depth > HAIR || engagement.plungeShare > 0)) {
        into.add(Math.max(depth, HAIR) * (1 + engagement.removedMm3), block, depth);
        return;
      }
      const across = Math.hypot(motion.to[0] - motion.from[0], motion.to[1] - motion.from[1]);
      if (clearPlaneMm === null || !stock || across < 1e-6 || motion.cycle > 0) return;
      const height = Math.min(motion.from[2], motion.to[2]);
      const over = [0, 0.25, 0.5, 0.75, 1].some((t) =>
        Number.isFinite(
          topAt(
            stock,
            motion.from[0] + t * (motion.to[0] - motion.from[0]),
            motion.from[1] + t * (motion.to[1] - motion.from[1]),
          ),
        ),
      );
      if (over && height < clearPlaneMm - HAIR) low.add(clearPlaneMm - height, block, height);
    },
    findings() {
      return [
        ...into.tell((i) => ({
          rule: 'rapid-into-stock',
          gravity: 'stop',
          weight: 10,
          title: 'Rapid into material',
          what: say(
            'In rapid it meets material, {0} deep, at X {1} Y {2} Z {3}.',
            measure(i.detail, 'mm'),
            ...placeOf(i.block.engagement.touches ?? i.block.motion.to),
          ),
          remedy: say('Do not run it. Check datum, stock and heights; draw back over the part first.'),
        })),
        ...low.tell((l) => ({
          rule: 'below-clear-plane',
          gravity: 'look',
          weight: 1,
          title: 'Rapid below the clear plane',
          what: say(
            'It crosses the part in rapid at Z {0}; the clear plane is Z {1}.',
            measure(l.detail, 'mm'),
            measure(clearPlaneMm!, 'mm'),
          ),
          remedy: say('Draw back to the clear plane, or see that no clamp stands in the way.'),
        })),
      ];
    },
  };
};

const placeOf = (p: readonly number[]) => p.map((v) => measure(v, 'mm'));
