import { entrySteepness } from '../../physics/path/entry-plan.ts';
import { powerAt } from '../../physics/cutting/spindle-curve.ts';
import { feedOnArc } from '../../physics/path/block-rate.ts';
import { arcFeedFactor } from '../find/arc-side.ts';
import { type Block, inContact, isFeed } from '../find/block.ts';
import { cutOf, largestSine } from '../find/cut-model.ts';
import type { Expected } from '../find/expected.ts';

export interface FeedSettings {
  /** What is kept: the released chip, or the released force as well where less is cut. */
  readonly hold: 'chip' | 'load';
  /** Feed per tooth at most over the released one, where the contact is light. */
  readonly raiseMost: number;
  /** And at least: slower, the edge rubs. */
  readonly slowLeast: number;
}

export const USUAL_FEEDS: FeedSettings = { hold: 'chip', raiseMost: 1.25, slowLeast: 0.3 };

export interface TargetFeed {
  readonly feedMmMin: number;
  readonly why: string;
}

/** Where the chip is held the force may be this much over the released one: more teeth cut at once in a corner. */
const CHIP_LOAD = 1.25;
/** Share of the end that goes down from which a block is a way in. */
const WAY_IN = 0.02;

/** Feed of the centre that a block is released for, at the released speed; null where nothing is released or nothing is cut. */
export function targetFeed(block: Block, settings: FeedSettings): TargetFeed | null {
  const { expected, motion } = block;
  if (!expected || !isFeed(block) || !inContact(block)) return null;
  const perFeed = expected.speedRpm * expected.teeth;
  if (expected.perTurn) return { feedMmMin: perFeed * expected.feedMm, why: 'feed a turn of the release' };
  const { fz, why } = chipFeed(block, expected, settings);
  const factor = arcFeedFactor(block);
  const round = factor === null ? fz : Math.min(fz / factor, settings.raiseMost * expected.feedMm);
  const held = holdLoad(block, expected, round, settings);
  const arcMost = motion.arc
    ? feedOnArc(expected.operation.context.machine.axes.x.max_accel_m_s2, motion.arc.radiusMm)
    : Infinity;
  const axisMost = expected.operation.context.machine.axes.x.max_feed_mm_min;
  const feed = Math.min(perFeed * held.fz, arcMost, axisMost);
  return {
    feedMmMin: feed,
    why: held.held
      ? 'force of the release'
      : factor !== null
        ? `${factor > 1 ? 'inside' : 'outside'} arc: the edge keeps its feed`
        : why,
  };
}

function chipFeed(block: Block, expected: Expected, settings: FeedSettings): { fz: number; why: string } {
  const { document, context } = expected.operation;
  const { most, plungeShare } = block.engagement;
  if (document.kind !== 'milling') return { fz: expected.feedMm, why: 'feed at the wall' };
  const down = plungeShare > WAY_IN;
  if (down) return { fz: expected.feedMm * entrySteepness(context.alloy).feedShare, why: 'way in' };
  const chip = expected.model.released.chipMm;
  const fz = chip / Math.max(1e-3, largestSine(most.entry, most.exit));
  const fastest = settings.raiseMost * expected.feedMm;
  return fz > fastest ? { fz: fastest, why: 'light cut' } : { fz, why: 'chip of the release' };
}

/** Feed per tooth at which force and power stay at the released ones, where they would be over. */
function holdLoad(
  block: Block,
  expected: Expected,
  fz: number,
  settings: FeedSettings,
): { fz: number; held: boolean } {
  const { model, speedRpm, teeth, feedMm, operation } = expected;
  const spindle = powerAt(operation.context.machine.power_torque.s1, speedRpm);
  const most = settings.hold === 'load' ? 1 : CHIP_LOAD;
  // On the way in the end cuts too: its load is that of the ramp, which was released as such.
  if (block.engagement.plungeShare > WAY_IN) return { fz, held: false };
  const loadAt = (feed: number): number => {
    const { forceN, powerKw } = model.load(
      cutOf(block.engagement, block.minutes, feed * speedRpm * teeth, speedRpm),
    );
    const { released } = model;
    const force = released.forceN > 0 ? forceN / released.forceN : 0;
    // Holding the chip, power is the spindle's to give; holding the load, it is the release's.
    const power = settings.hold === 'load' ? released.powerKw : spindle;
    return Math.max(force / most, power > 0 ? powerKw / power : 0);
  };
  const least = settings.slowLeast * feedMm;
  let [low, high] = [least, settings.hold === 'load' ? settings.raiseMost * feedMm : fz];
  if (loadAt(high) <= 1) return { fz: high, held: false };
  if (low >= high || loadAt(low) > 1) return { fz: Math.min(low, high), held: true };
  for (let k = 0; k < 30; k++) {
    const middle = (low + high) / 2;
    if (loadAt(middle) > 1) high = middle;
    else low = middle;
  }
  return { fz: low, held: true };
}
