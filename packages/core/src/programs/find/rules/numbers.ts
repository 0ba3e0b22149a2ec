import { capital } from '../../../units/capital.ts';
import { measure, say } from '../../../units/sentence.ts';
import { engagementAngle } from '../../../physics/cutting/engagement.ts';
import type { Unit } from '../../../units/unit.ts';
import { type Block, inContact, isFeed } from '../block.ts';
import type { Expected } from '../expected.ts';
import { type Finding, type Gravity, makePlaces, type Places, type RuleMaker } from '../finding.ts';
import { makeMiddle, type Middle } from '../middle.ts';

/** Steps of the records of feed and stepover, as a share. */
const STEP = 0.02;
/** Speeds within this share of the released one are its rounding; feeds and depths likewise. */
const SPEED_OFF = 0.03;
/** A speed over by more wears the edge out before anybody looks. */
const MUCH = 0.1;
const FEED_OFF = 0.06;
/** A feed this much under is the feed of a program that slows for corners. */
const FEED_UNDER = 0.12;
const DEPTH_OFF = 0.06;
const WIDTH_OFF = 0.08;
/** Share of the end that goes down from which a block is a way in. */
const LEVEL = 0.02;
/** In a wider contact than the released one by this the feed may be lowered on purpose. */
const WIDER = 1.15;
/** Depth from which a feed or a width counts, over the released one. */
const DEEP_ENOUGH = 0.3;

/** Numbers of one tool, gathered over its cuts. */
interface ToolNumbers {
  readonly expected: Expected;
  readonly faster: Places<number>;
  readonly slower: Places<number>;
  readonly feed: Places<number>;
  readonly depth: Places<number>;
  readonly width: Places<number>;
  /** Feed of straight cuts by their minutes. */
  readonly feeds: Middle;
  /** Stepover by the way it is cut. */
  readonly widths: Middle;
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
      faster: places(),
      slower: places(),
      feed: places(),
      depth: places(),
      width: places(),
      feeds: makeMiddle(STEP, 'share'),
      widths: makeMiddle(STEP, 'share'),
    };
    tools.set(tool, made);
    return made;
  }

  function see(block: Block): void {
    const { expected, motion, engagement } = block;
    if (!expected || !isFeed(block) || !inContact(block)) return;
    const t = of(motion.setting.tool, expected);
    const off = motion.speedRpm / expected.speedRpm - 1;
    // A speed that is tried is not one that slipped in.
    const meant = speedsOnPurpose.some((rpm) => Math.abs(motion.speedRpm / rpm - 1) < 0.01);
    if (!meant && off > SPEED_OFF) t.faster.add(off, block, motion.speedRpm);
    if (!meant && off < -SPEED_OFF && motion.speedRpm > 0) t.slower.add(-off, block, motion.speedRpm);
    const feed = expected.perTurn ? feedPerTurnOf(block) : sameChipFeed(block, expected);
    const straight = expected.perTurn
      ? engagement.plungeShare > 0.5
      : motion.kind === 'line' &&
        engagement.most.depthMm > DEEP_ENOUGH * (expected.depthMm ?? 0) &&
        engagement.most.arc > 0 &&
        engagement.most.arc < WIDER * (releasedArc(expected) ?? Infinity) &&
        engagement.plungeShare < LEVEL;
    if (straight) {
      t.feeds.add(feed, block.minutes);
      t.feed.add(feed, block, feed);
    }
    // On the way down the cutter is full in a shallow cut: that is judged as a way in.
    if (expected.perTurn || engagement.plungeShare > LEVEL) return;
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
    t.widths.add(usual, motion.lengthMm * (1 - engagement.air));
    if (usual > widthMm * (1 + WIDTH_OFF) + 0.02) t.width.add(motion.lengthMm, block, usual);
  }

  function findings(): Finding[] {
    return [...tools].flatMap(([tool, t]) => differencesOf(tool, t));
  }
  return { see, findings };
};

/** Feed of a turn, mm; 0 with the spindle stopped. */
const feedPerTurnOf = ({ motion }: Block): number =>
  motion.speedRpm > 0 ? (motion.feedMmMin ?? 0) / motion.speedRpm : 0;

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
  const { expected } = t;
  const { id, name } = expected.operation;
  const tell = (
    places: Places<number>,
    what: string,
    wanted: number,
    unit: Unit,
    gravityOf: (worth: number) => Gravity,
    usual?: number,
  ): Finding[] =>
    places.tell(({ detail, worth }) => {
      const got = usual ?? detail;
      const ratio = got / wanted;
      return {
        rule: `release-${what.replace(' ', '-')}`,
        gravity: gravityOf(worth),
        weight: Math.abs(Math.log(ratio)),
        title: `${capital(what)} ${ratio > 1 ? 'over' : 'under'} the release`,
        what: say(
          `Tool ${tool} runs {0}; {1} was released for “${name}” (${ratio >= 1 ? '+' : '−'}${Math.abs(Math.round(100 * (ratio - 1)))}%).`,
          measure(got, unit),
          measure(wanted, unit),
        ),
        remedy: say(`Bring the ${what} to {0}, or release what is run.`, measure(wanted, unit)),
        runs: { operationId: id, value: got },
      };
    });
  const always = (gravity: Gravity) => () => gravity;
  const feed = t.feeds.value() ?? expected.feedMm;
  const fast = feed > expected.feedMm * (1 + FEED_OFF);
  const width = t.widths.value();
  return [
    ...tell(t.faster, 'spindle speed', expected.speedRpm, 'rpm', (worth) =>
      worth > MUCH ? 'fault' : 'look',
    ),
    ...tell(t.slower, 'spindle speed', expected.speedRpm, 'rpm', always('look')),
    ...(fast || feed < expected.feedMm * (1 - FEED_UNDER)
      ? tell(
          t.feed,
          'feed',
          expected.feedMm,
          expected.perTurn ? 'mm/rev' : 'mm/tooth',
          always(fast ? 'fault' : 'look'),
          feed,
        )
      : []),
    ...tell(t.depth, 'axial depth', expected.depthMm!, 'mm', always('fault')),
    ...(width !== null && width > expected.widthMm! * (1 + WIDTH_OFF) + 0.02
      ? tell(t.width, 'radial depth', expected.widthMm!, 'mm', always('fault'), width)
      : []),
  ];
}

/** Contact of the released straight cut, rad; null where the kind has none. */
const releasedArc = ({ widthMm, shape }: Expected): number | null =>
  widthMm === null ? null : engagementAngle(Math.min(widthMm, 2 * shape.radiusMm), 2 * shape.radiusMm);
