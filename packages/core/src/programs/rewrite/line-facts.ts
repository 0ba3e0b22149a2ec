import type { Block } from '../find/block.ts';
import { checkProgram, type CheckSettings } from '../find/check-program.ts';
import type { Motion } from '../read/motion.ts';
import type { RewriteSettings } from './rewrite-settings.ts';
import { targetFeed } from './target-feed.ts';

/** Feeds that differ by less are left as they are. */
const OFF = 0.03;
/** A line is divided from this many radii on, and keeps at least a radius before the slow part. */
const LONG = 3;

/** What a line that feeds runs, and what it is to run; feeds in mm/min. */
export interface LineFacts {
  readonly motion: Motion;
  readonly target: number;
  readonly why: string;
  readonly original: number;
  /** Where to divide it, and the feed of the part before. */
  readonly divide: { readonly at: readonly [number, number, number]; readonly feed: number } | null;
  readonly cycle: boolean;
}

/** Facts by line, the released speed of each line that moves, and the minutes of the program. */
export interface ProgramFacts {
  readonly facts: ReadonlyMap<number, LineFacts>;
  readonly speeds: ReadonlyMap<number, number>;
  readonly minutes: number;
}

/** Facts of each line that feeds, by line; a line run more than once takes the slowest. */
export function factsOf(text: string, check: CheckSettings, settings: RewriteSettings): ProgramFacts {
  const facts = new Map<number, LineFacts>();
  const speeds = new Map<number, number>();
  let minutes = 0;
  checkProgram(text, check, (block) => {
    minutes += block.minutes;
    const { motion, expected } = block;
    if (expected && motion.kind !== 'dwell') speeds.set(motion.line, expected.speedRpm);
    if ((motion.kind !== 'line' && motion.kind !== 'arc') || !motion.feedMmMin) return;
    const wanted = targetFeed(block, settings);
    const original = motion.feedMmMin;
    const target = wanted?.feedMmMin ?? original;
    const before = facts.get(motion.line);
    if (before && before.target <= target) return;
    facts.set(motion.line, {
      motion,
      target: Math.abs(target / original - 1) > OFF ? target : original,
      why: wanted?.why ?? 'as it was',
      original,
      divide: wanted && settings.divide ? divisionOf(block, settings, wanted.feedMmMin) : null,
      cycle: motion.cycle > 0,
    });
  });
  return { facts, speeds, minutes };
}

/** Where a straight line slows down before its end, as far ahead as the axes need; null where it need not. */
function divisionOf(block: Block, settings: RewriteSettings, slow: number): LineFacts['divide'] {
  const { motion, engagement, expected } = block;
  const { risesAt } = engagement;
  if (risesAt === null || motion.kind !== 'line' || !expected || !motion.setting.absolute) return null;
  if (motion.from[2] !== motion.to[2] || motion.lengthMm < LONG * expected.shape.radiusMm) return null;
  const straight = {
    ...engagement,
    most: { ...engagement.most, arc: engagement.usualArc, ...usualWindow(engagement) },
  };
  const fast = targetFeed({ ...block, engagement: straight }, settings);
  if (!fast || fast.feedMmMin < slow * (1 + 2 * OFF)) return null;
  const a = expected.operation.context.machine.axes.x.max_accel_m_s2 * 1000;
  const braking = ((fast.feedMmMin / 60) ** 2 - (slow / 60) ** 2) / (2 * a);
  const at = risesAt - (braking + 0.1) / motion.lengthMm;
  if (at * motion.lengthMm < expected.shape.radiusMm) return null;
  const place = [0, 1, 2].map((i) => motion.from[i]! + at * (motion.to[i]! - motion.from[i]!));
  return { at: [place[0]!, place[1]!, place[2]!], feed: fast.feedMmMin };
}

/** The usual contact lies on the side the largest one lies on. */
function usualWindow({ most, usualArc }: Block['engagement']): { entry: number; exit: number } {
  return most.exit > Math.PI - most.entry
    ? { entry: most.exit - Math.min(usualArc, most.exit), exit: most.exit }
    : { entry: most.entry, exit: most.entry + usualArc };
}
