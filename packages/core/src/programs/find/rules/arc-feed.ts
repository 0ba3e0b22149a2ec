import { measure, say } from '../../../units/sentence.ts';
import { isFeed } from '../block.ts';
import { arcFeedFactor } from '../arc-side.ts';
import { makePlaces, type RuleMaker } from '../finding.ts';

/** Edge over centre from which it matters, inside; and under it, outside. */
const FAST = 1.15;
const SLOW = 0.8;
/** An arc that runs the feed of the straights within this share was not thought of. */
const SAME = 0.04;

/** Arcs run at the feed of the straights: at the wall the edge is then faster inside and slower outside than meant. */
export const arcFeedRule: RuleMaker = () => {
  const inside = makePlaces<number>();
  const outside = makePlaces<number>();
  let straightFeed: number | null = null;
  let tool = -1;
  return {
    see(block) {
      const { motion, expected, load } = block;
      if (motion.setting.tool !== tool) {
        tool = motion.setting.tool;
        straightFeed = null;
      }
      if (motion.kind === 'line' && motion.to[2] >= motion.from[2] && motion.feedMmMin)
        straightFeed = motion.feedMmMin;
      if (!isFeed(block) || !motion.arc || !motion.feedMmMin) return;
      const factor = arcFeedFactor(block);
      if (factor === null) return;
      // A released feed counts where the edge cuts; without a release the straights' feed stands for it.
      const atEdge =
        expected && !expected.perTurn
          ? (load.feedPerToothMm * factor) / expected.feedMm
          : straightFeed !== null && Math.abs(motion.feedMmMin / straightFeed - 1) < SAME
            ? factor
            : 1;
      if (atEdge > FAST && factor > FAST) inside.add(atEdge, block, factor);
      else if (atEdge < SLOW && factor < SLOW) outside.add(1 / atEdge, block, factor);
    },
    findings: () => [
      ...inside.tell(({ worth, detail, block: { motion, expected } }) => ({
        rule: 'arc-feed-inside',
        gravity: worth > 1.5 ? 'fault' : 'look',
        weight: worth,
        title:
          expected?.operation.document.kind === 'thread-milling'
            ? 'Thread milled at the feed of its edge'
            : 'Bore feed is the edge’s',
        what: say(
          `Centre feed {0} on a path radius of {1}: the edge runs ${detail.toFixed(1)} times as fast, {2}, ${worth.toFixed(1)} times what is meant.`,
          measure(motion.feedMmMin!, 'mm/min'),
          measure(motion.arc!.radiusMm, 'mm'),
          measure(motion.feedMmMin! * detail, 'mm/min'),
        ),
        remedy: say(
          'Set the feed of the cutter’s centre there to {0}.',
          measure(motion.feedMmMin! / worth, 'mm/min'),
        ),
      })),
      ...outside.tell(({ worth, detail, block: { motion } }) => ({
        rule: 'arc-feed-outside',
        gravity: 'look',
        weight: worth,
        title: 'Outside arc runs slow at its edge',
        what: say(
          'Centre feed {0} round an outside radius: at the wall the edge runs {1}, and the chip is thin.',
          measure(motion.feedMmMin!, 'mm/min'),
          measure(motion.feedMmMin! * detail, 'mm/min'),
        ),
        remedy: say(
          'Raise the feed of the centre there to {0}.',
          measure(motion.feedMmMin! * worth, 'mm/min'),
        ),
      })),
    ],
  };
};
