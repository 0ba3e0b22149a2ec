import { measure, say } from '../../../units/sentence.ts';
import { feedOfBlocks, feedOnArc } from '../../../physics/path/block-rate.ts';
import { isFeed } from '../block.ts';
import { makePlaces, type RuleMaker } from '../finding.ts';

/** Lines this short in a row are a curve in pieces; a single one is an end. */
const IN_A_ROW = 8;
/** The axes are held a little over what they state before it is told. */
const OVER = 1.02;

/** Lines too short for the control at their feed, and arcs no axis can follow. */
export const controlRule: RuleMaker = ({ machine }) => {
  const short = makePlaces<{ holds: number; feed: number }>();
  const tight = makePlaces<{ holds: number; feed: number }>();
  let row = 0;
  let starved = 0;
  if (!machine) return { see: () => undefined, findings: () => [] };
  const { block_processing_ms: ms, axes } = machine;
  const acceleration = Math.min(axes.x.max_accel_m_s2, axes.y?.max_accel_m_s2 ?? Infinity);
  return {
    see(block) {
      const { motion } = block;
      if (!isFeed(block) || !motion.feedMmMin || motion.lengthMm <= 0) {
        row = 0;
        return;
      }
      const holds = feedOfBlocks(motion.lengthMm, ms);
      row = motion.feedMmMin > holds * OVER ? row + 1 : 0;
      if (row >= IN_A_ROW) {
        starved++;
        short.add(motion.feedMmMin / holds, block, { holds, feed: motion.feedMmMin });
      }
      if (motion.arc) {
        const most = feedOnArc(acceleration, motion.arc.radiusMm);
        if (motion.feedMmMin > most * OVER)
          tight.add(motion.feedMmMin / most, block, { holds: most, feed: motion.feedMmMin });
      }
    },
    findings() {
      return [
        ...short.tell((s) => ({
          rule: 'short-blocks',
          gravity: 'look',
          weight: s.worth,
          title: 'Lines too short for the control',
          what: say(
            `${starved.toLocaleString('en')} lines are read slower than they are run: at {0} a line the control gives {1}, not {2}.`,
            measure(ms / 1000, 's-fine'),
            measure(s.detail.holds, 'mm/min'),
            measure(s.detail.feed, 'mm/min'),
          ),
          remedy: say(
            'Fit arcs to the lines, post with a wider tolerance, or feed at {0}.',
            measure(s.detail.holds, 'mm/min'),
          ),
        })),
        ...tight.tell((t) => ({
          rule: 'arc-too-fast',
          gravity: 'look',
          weight: t.worth,
          title: 'Feed no axis holds round this arc',
          what: say(
            'On a path radius of {0} the axes hold {1}; {2} is programmed.',
            measure(t.block.motion.arc!.radiusMm, 'mm'),
            measure(t.detail.holds, 'mm/min'),
            measure(t.detail.feed, 'mm/min'),
          ),
          remedy: say('Feed at {0} there: the machine will not do more.', measure(t.detail.holds, 'mm/min')),
        })),
      ];
    },
  };
};
