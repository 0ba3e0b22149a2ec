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
        ? 'half the edge runs free in the cross hole'
        : hole.exitAngleDeg > 3
          ? 'sloped exit face'
          : 'thin cap deflects';
    return {
      // A share just kept is kept: nothing about it is uncertain.
      ...held(cut.breakthroughFeed, most, 'ratio', why, {
        why: () =>
          say(
            `Breakthrough at {0} of the feed; {1} allowed (${why}).`,
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
