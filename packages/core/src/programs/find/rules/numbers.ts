import { measure, say } from '../../../units/sentence.ts';
import type { Unit } from '../../../units/unit.ts';
import { type Block, inContact, isFeed } from '../block.ts';
import { type Expected, isMilled } from '../expected.ts';
import { type Finding, makePlaces, type RuleMaker } from '../finding.ts';

/** Steps of the records of feed and stepover, as a share. */
const STEP = 0.02;
/** Speeds within this share of the released one are its rounding; feeds and depths likewise. */
const SPEED_OFF = 0.03;
const FEED_OFF = 0.06;
/** A feed this much under is the feed of a program that slows for corners. */
const FEED_UNDER = 0.12;
const DEPTH_OFF = 0.06;
const WIDTH_OFF = 0.08;
/** Share of the end that goes down from which a block is a way in, and the depth from which a width counts, over the released one. */
const LEVEL = 0.02;
/** In a wider contact than the released one by this the feed may be lowered on purpose. */
const WIDER = 1.15;
const DEEP_ENOUGH = 0.3;

/** Numbers of one tool, gathered over its cuts. */
interface ToolNumbers {
  readonly expected: Expected;
  readonly speed: ReturnType<typeof makePlaces<number>>;
  readonly slow: ReturnType<typeof makePlaces<number>>;
  readonly feed: ReturnType<typeof makePlaces<number>>;
  readonly depth: ReturnType<typeof makePlaces<number>>;
  readonly width: ReturnType<typeof makePlaces<number>>;
  /** Minutes by feed per tooth on straight cuts, in steps of 2%: the usual feed is where half the time lies below. */
  readonly feeds: Map<number, number>;
  /** Way by stepover, likewise. */
  readonly widths: Map<number, number>;
}

/** Speed, feed, depth and stepover that are not what was released for the tool. */
export const numbersRule: RuleMaker = ({ speedsOnPurpose }) => {
  const tools = new Map<number, ToolNumbers>();

  function of(tool: number, expected: Expected): ToolNumbers {
    const known = tools.get(tool);
    if (known) return known;
    const places = () => makePlaces<number>();
    const made: ToolNumbers = {
      expected,
      speed: places(),
      slow: places(),
      feed: places(),
      depth: places(),
      width: places(),
      feeds: new Map(),
      widths: new Map(),
    };
    tools.set(tool, made);
    return made;
  }

  function see(block: Block): void {
    const { expected, motion, engagement, load } = block;
    if (!expected || !isFeed(block) || !inContact(block)) return;
    const t = of(motion.setting.tool, expected);
    const off = motion.speedRpm / expected.speedRpm - 1;
    // A speed that is tried is not one that slipped in.
    const meant = speedsOnPurpose.some((rpm) => Math.abs(motion.speedRpm / rpm - 1) < 0.01);
    if (!meant && off > SPEED_OFF) t.speed.add(off, block, motion.speedRpm);
    if (!meant && off < -SPEED_OFF && motion.speedRpm > 0) t.slow.add(-off, block, motion.speedRpm);
    const feed = expected.perTurn
      ? load.feedPerToothMm *
        (expected.model.released.feedPerToothMm > 0
          ? expected.feedMm / expected.model.released.feedPerToothMm
          : 1)
      : sameChipFeed(block, expected);
    const straight = expected.perTurn
      ? engagement.plungeShare > 0.5
      : motion.kind === 'line' &&
        engagement.most.depthMm > DEEP_ENOUGH * (expected.depthMm ?? 0) &&
        engagement.most.arc > 0 &&
        engagement.most.arc < WIDER * (releasedArc(expected) ?? Infinity) &&
        engagement.plungeShare < LEVEL;
    if (straight) {
      const step = Math.round(Math.log(Math.max(feed, 1e-6)) / STEP);
      t.feeds.set(step, (t.feeds.get(step) ?? 0) + block.minutes);
      t.feed.add(feed, block, feed);
    }
    // On the way down the cutter is full in a shallow cut: that is judged as a way in.
    if (!isMilled(expected) || engagement.plungeShare > LEVEL) return;
    const { depthMm, widthMm, shape } = expected;
    if (
      depthMm !== null &&
      engagement.most.depthMm > depthMm * (1 + DEPTH_OFF) + shape.cornerMm &&
      engagement.most.arc > 0.2
    )
      t.depth.add(engagement.most.depthMm, block, engagement.most.depthMm);
    if (widthMm === null || motion.kind !== 'line' || engagement.most.depthMm < DEEP_ENOUGH * (depthMm ?? 0))
      return;
    // In a corner the contact is wide whatever the stepover: that of half the way tells it.
    const usual = shape.radiusMm * (1 - Math.cos(engagement.usualArc));
    const width = Math.round(Math.log(Math.max(usual, 1e-3)) / STEP);
    t.widths.set(width, (t.widths.get(width) ?? 0) + motion.lengthMm * (1 - engagement.air));
    if (usual > widthMm * (1 + WIDTH_OFF) + 0.02) t.width.add(motion.lengthMm, block, usual);
  }

  function findings(): Finding[] {
    return [...tools].flatMap(([tool, t]) => differencesOf(tool, t));
  }
  return { see, findings };
};

/** Feed per tooth of the released contact that has the chip of the block, mm: where the contact is lighter, more feed is the same chip. */
function sameChipFeed({ load, engagement }: Block, expected: Expected): number {
  const { chipMm } = expected.model.released;
  const lighter = engagement.most.arc < (releasedArc(expected) ?? 0) && load.chipMm > 0 && chipMm > 0;
  return lighter
    ? Math.max((expected.feedMm * load.chipMm) / chipMm, Math.min(load.feedPerToothMm, expected.feedMm))
    : load.feedPerToothMm;
}

/** What of a tool's numbers is not what was released. */
function differencesOf(tool: number, t: ToolNumbers): Finding[] {
  const found: Finding[] = [];
  const tell = (
    places: ToolNumbers['speed'],
    name: string,
    got: number,
    wanted: number,
    unit: Unit,
    gravity: Finding['gravity'],
  ): void => {
    const ratio = got / wanted;
    found.push(
      places.tell({
        rule: `release-${name.replace(' ', '-')}`,
        gravity,
        weight: Math.abs(Math.log(ratio)),
        title: `${name[0]!.toUpperCase()}${name.slice(1)} ${ratio > 1 ? 'over' : 'under'} the release`,
        what: say(
          `Tool ${tool} runs {0}; {1} was released for “${t.expected.operation.name}” (${ratio >= 1 ? '+' : '−'}${Math.abs(Math.round(100 * (ratio - 1)))}%).`,
          measure(got, unit),
          measure(wanted, unit),
        ),
        remedy: say(`Bring the ${name} to {0}, or release what is run.`, measure(wanted, unit)),
      }),
    );
  };
  const { expected } = t;
  const fast = t.speed.worst();
  if (fast)
    tell(
      t.speed,
      'spindle speed',
      fast.detail,
      expected.speedRpm,
      'rpm',
      fast.worth > 0.1 ? 'fault' : 'look',
    );
  const slow = t.slow.worst();
  if (slow) tell(t.slow, 'spindle speed', slow.detail, expected.speedRpm, 'rpm', 'look');
  const usual = medianOf(t.feeds);
  if (
    usual !== null &&
    (usual > expected.feedMm * (1 + FEED_OFF) || usual < expected.feedMm * (1 - FEED_UNDER))
  ) {
    const over = usual > expected.feedMm;
    tell(
      t.feed,
      'feed',
      usual,
      expected.feedMm,
      expected.perTurn ? 'mm/rev' : 'mm/tooth',
      over ? 'fault' : 'look',
    );
  }
  const deep = t.depth.worst();
  if (deep) tell(t.depth, 'axial depth', deep.detail, expected.depthMm!, 'mm', 'fault');
  const width = medianOf(t.widths);
  if (width !== null && t.width.worst() && width > expected.widthMm! * (1 + WIDTH_OFF) + 0.02)
    tell(t.width, 'radial depth', width, expected.widthMm!, 'mm', 'fault');
  return found;
}

/** Contact of the released straight cut, rad; null where the kind has none. */
const releasedArc = ({ widthMm, shape }: Expected): number | null =>
  widthMm === null ? null : Math.acos(Math.max(-1, 1 - widthMm / shape.radiusMm));

/** Value below which half of what is recorded lies; null without any. */
function medianOf(record: ReadonlyMap<number, number>): number | null {
  const total = [...record.values()].reduce((s, m) => s + m, 0);
  let sum = 0;
  for (const [step, m] of [...record].sort(([a], [b]) => a - b)) {
    sum += m;
    if (sum >= total / 2) return Math.exp(step * STEP);
  }
  return null;
}
