import type { CutState } from '../cut-state.ts';
import { say } from '../../units/sentence.ts';
import { hardnessOffset } from '../sources.ts';
import type { Limit } from '../../judging/limit.ts';

/** Hardness may move this much, HRC points, before numbers count as another hardness' numbers. */
const SAME_HARDNESS = 3;

/** Speeds and feeds still standing from another alloy, cutter or hardness. */
export const numbersConfirmedLimit: Limit<CutState> = {
  id: 'inherited-numbers',
  reads: 'setup',
  group: 'process',
  name: 'speeds and feeds confirmed',
  unsearched: true,
  assess({ op, context: { alloy, cutter } }) {
    const from = op.workedOutFor;
    const reasons: string[] = [];
    if (from.alloyId !== op.alloyId) reasons.push('another alloy');
    if (from.cutterId !== op.tooling.cutterId) reasons.push('another cutter');
    const then = from.hardness ?? alloy.hardness.typical;
    const now = op.measured.hardness ?? alloy.hardness.typical;
    if (
      from.alloyId === op.alloyId &&
      Math.abs(hardnessOffset(alloy, now) - hardnessOffset(alloy, then)) > SAME_HARDNESS
    ) {
      reasons.push('another hardness');
    }
    return {
      predicted: null,
      allowed: null,
      share: null,
      verdict: reasons.length ? 'over' : 'clear',
      why: () =>
        reasons.length
          ? say(
              `Speeds and feeds were set for ${reasons.join(' and ')}. Recalculate, or confirm them for ${alloy.name}.`,
            )
          : say(`Speeds and feeds were set for ${alloy.name} and ${cutter.name}.`),
      formula: 'alloy, cutter and hardness as when the numbers were set',
      inputs: () => [],
      source: 'record of this operation',
    };
  },
};
