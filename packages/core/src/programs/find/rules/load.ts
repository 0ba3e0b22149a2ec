import { measure, say } from '../../../units/sentence.ts';
import { inContact, isFeed } from '../block.ts';
import { makePlaces, type RuleMaker } from '../finding.ts';

/** Load over the released one that is told beside a spike. */
const OVER = 1.3;
/** Share of the spindle's continuous power from which it slows down. */
const SPINDLE = 1;

/** Blocks that load spindle or cutter well over what was released. */
export const loadRule: RuleMaker = () => {
  const spindle = makePlaces<number>();
  const chip = makePlaces<{ chip: number; released: number }>();
  return {
    see(block) {
      const { load, expected } = block;
      if (!expected || !isFeed(block) || !inContact(block)) return;
      if (load.meter > SPINDLE) spindle.add(load.meter, block, load.powerKw);
      const { released } = expected.model;
      if (
        !expected.perTurn &&
        released.chipMm > 0 &&
        load.chipMm > OVER * released.chipMm &&
        load.forceN > OVER * released.forceN
      )
        chip.add(load.forceN / released.forceN, block, { chip: load.chipMm, released: released.chipMm });
    },
    findings: () => [
      ...spindle.tell(({ worth, detail }) => ({
        rule: 'spindle-load',
        gravity: 'fault',
        weight: 3 * worth,
        title: 'More than the spindle gives',
        what: say(
          `{0} is asked: ${Math.round(100 * Math.min(9.99, worth))}% of what the spindle gives at this speed.`,
          measure(detail, 'kW'),
        ),
        remedy: say('Slow the feed there, or cut less at once.'),
      })),
      ...chip.tell(({ worth, detail, block }) => ({
        rule: 'chip-over',
        gravity: 'fault',
        weight: worth,
        title: 'Chip and force over the release',
        what: say(
          'Chip {0}, released {1}; force {2}, released {3}.',
          measure(detail.chip, 'mm-fine'),
          measure(detail.released, 'mm-fine'),
          measure(block.load.forceN, 'N'),
          measure(block.expected!.model.released.forceN, 'N'),
        ),
        remedy: say('Slow down to hold the chip.'),
      })),
    ],
  };
};
