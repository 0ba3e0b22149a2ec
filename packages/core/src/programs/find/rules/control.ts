import { measure, say } from '../../../units/sentence.ts';
import { feedOfBlocks, feedOnArc } from '../../../physics/path/block-rate.ts';
import { linesWithArcs, type PlanPoint } from '../../path/arcs-in-points.ts';
import { type Block, isFeed } from '../block.ts';
import { makePlaces, type RuleMaker } from '../finding.ts';

/** Lines this short in a row are a curve in pieces; a single one is an end. */
const IN_A_ROW = 8;
/** The axes are held a little over what they state before it is told. */
const OVER = 1.02;

/** Fewer lines than this share is worth saying. */
const WORTH_FITTING = 0.9;
/** Arcs are tried within this of the lines, mm: what a control smooths over anyway. */
const FIT_MM = 0.01;
/** Longest run tried at once: each point is held against all of an arc's. */
const LONGEST_RUN = 300;

/** Counts lines level in XY one after the other where some are read too slowly, and what they would be with arcs fitted. */
function makeSmoother() {
  let points: PlanPoint[] = [];
  let slow = false;
  const counts = { lines: 0, smoothed: 0 };
  const close = (): void => {
    if (slow) {
      counts.lines += points.length - 1;
      counts.smoothed += linesWithArcs(points, FIT_MM);
    }
    points = [];
    slow = false;
  };
  return {
    /** The line just seen is read too slowly. */
    starves: () => (slow = points.length > 1),
    see(block: Block): void {
      const { from, to, arc } = block.motion;
      if (!isFeed(block) || arc || from[2] !== to[2]) return close();
      if (points.length > LONGEST_RUN) close();
      if (points.length === 0) points.push([from[0], from[1]]);
      points.push([to[0], to[1]]);
    },
    counts(): typeof counts {
      close();
      return counts;
    },
  };
}

/** Lines too short for the control at their feed, and arcs no axis can follow. */
export const controlRule: RuleMaker = ({ machine }) => {
  const short = makePlaces<{ holds: number; feed: number }>();
  const tight = makePlaces<{ holds: number; feed: number }>();
  const smoother = makeSmoother();
  let row = 0;
  let starved = 0;
  if (!machine) return { see: () => undefined, findings: () => [] };
  const { block_processing_ms: ms, axes } = machine;
  const acceleration = Math.min(axes.x.max_accel_m_s2, axes.y?.max_accel_m_s2 ?? Infinity);
  return {
    see(block) {
      const { motion } = block;
      smoother.see(block);
      if (!isFeed(block) || !motion.feedMmMin || motion.lengthMm <= 0) {
        row = 0;
        return;
      }
      const holds = feedOfBlocks(motion.lengthMm, ms);
      row = motion.feedMmMin > holds * OVER ? row + 1 : 0;
      if (row >= IN_A_ROW) {
        starved++;
        smoother.starves();
        short.add(motion.feedMmMin / holds, block, { holds, feed: motion.feedMmMin });
      }
      if (motion.arc) {
        const most = feedOnArc(acceleration, motion.arc.radiusMm);
        if (motion.feedMmMin > most * OVER)
          tight.add(motion.feedMmMin / most, block, { holds: most, feed: motion.feedMmMin });
      }
    },
    findings() {
      const { lines, smoothed } = smoother.counts();
      const smaller =
        smoothed < lines * WORTH_FITTING
          ? ` With arcs fitted within {3}, ${lines.toLocaleString('en')} of the lines there would be ${smoothed.toLocaleString('en')}.`
          : ' Arcs fitted to them within {3} would save next to nothing.';
      return [
        ...short.tell((s) => ({
          rule: 'short-blocks',
          gravity: 'look',
          weight: s.worth,
          title: 'Lines too short for the control',
          what: say(
            `${starved.toLocaleString('en')} lines are read slower than they are run: at {0} a line the control gives {1}, not {2}.${smaller}`,
            measure(ms / 1000, 's-fine'),
            measure(s.detail.holds, 'mm/min'),
            measure(s.detail.feed, 'mm/min'),
            measure(FIT_MM, 'mm-fine'),
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
