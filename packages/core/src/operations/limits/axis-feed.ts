import type { CutState } from '../cut-state.ts';
import { feedsDown } from '../hole-operation.ts';
import { exact } from '../../judging/estimate.ts';
import { measure, say } from '../../units/sentence.ts';
import { input, type Limit, used } from '../../judging/limit.ts';

/** An axis that cannot follow the feed starves the tool of chip. */
export const axisFeedLimit: Limit<CutState> = {
  id: 'axis-feed',
  group: 'machine',
  name: 'axis feed',
  assess({ op, feedRateMmMin, context: { machine } }) {
    const { x, y, z } = machine.axes;
    const axial = feedsDown(op);
    const fastest = axial ? z.max_feed_mm_min : Math.min(x.max_feed_mm_min, (y ?? x).max_feed_mm_min);
    return {
      predicted: { estimate: exact(feedRateMmMin), unit: 'mm/min' },
      allowed: { value: fastest, unit: 'mm/min', from: `${machine.name}, slowest axis that moves` },
      ...used(exact(feedRateMmMin), fastest),
      why: () =>
        say(
          'Feed {0}; {1} allowed (axis maximum).',
          measure(feedRateMmMin, 'mm/min'),
          measure(fastest, 'mm/min'),
        ),
      formula: axial ? 'vf = n·fn ≤ vf max' : 'vf = n·z·fz ≤ vf max',
      inputs: () => [
        input('vf', 'feed', feedRateMmMin, 'mm/min'),
        input('vf max', 'axis maximum', fastest, 'mm/min'),
      ],
      source: 'machine record',
    };
  },
};
