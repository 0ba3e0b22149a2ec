import type { DrillingState } from '../drilling-state.ts';
import { exact, scale } from '../../../judging/estimate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit } from '../../../judging/limit.ts';
import { held } from '../../holes/limits/assessments.ts';

/** Share of the feed a drill may keep where it breaks through: half the edge is free there. Rules G-64 and G-67. */
export function breakthroughShare({ op: { hole }, conditions }: DrillingState): number | null {
  if (hole.crossHoles > 0 || hole.exitAngleDeg > 3) return 0.5;
  if (!hole.through) return null;
  return conditions.difficult ? 0.7 : 1;
}

/** The drill springs forward when the cap gives way. */
export const breakthroughLimit: Limit<DrillingState> = {
  id: 'breakthrough',
  group: 'strength',
  name: 'breakthrough',
  assess(state) {
    const most = breakthroughShare(state);
    if (most === null || state.op.role === 'spot') return null;
    const { cut, hole } = state.op;
    const why =
      hole.crossHoles > 0
        ? 'a cross hole frees half the edge'
        : hole.exitAngleDeg > 3
          ? 'it leaves by a slope'
          : 'the thin cap springs';
    return {
      // A share just kept is kept: nothing about it is uncertain.
      ...held(cut.breakthroughFeed, most, 'ratio', why, {
        why: () =>
          say(
            `It breaks through at {0} of its feed; {1} is the most here: ${why}.`,
            measure(cut.breakthroughFeed, 'ratio'),
            measure(most, 'ratio'),
          ),
        formula: 'feed at breakthrough ≤ 0.7 (0.5 into a cross hole or a slope)',
        inputs: () => [input('share', 'of the feed', cut.breakthroughFeed, 'ratio')],
        source: 'judgement rules G-64, G-67',
      }),
      share: scale(exact(cut.breakthroughFeed), 1 / most),
    };
  },
};
