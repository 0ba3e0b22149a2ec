import type { MillingState } from '../milling-state.ts';
import { exact } from '../../../judging/estimate.ts';
import { feedOnArc } from '../../../physics/path/block-rate.ts';
import { measure, say } from '../../../units/sentence.ts';
import { input, type Limit, used } from '../../../judging/limit.ts';

/** On a small arc the axes must accelerate v²/r; a machine that cannot slows down and thins the chip. */
export const cornerAccelerationLimit: Limit<MillingState> = {
  id: 'corner-acceleration',
  group: 'machine',
  name: 'corner acceleration',
  assess({ plan, feedRateMmMin, context: { machine } }) {
    const path = plan.corner?.pathRadiusMm ?? 0;
    if (path < 0.05) return null;
    const acceleration = Math.min(
      machine.axes.x.max_accel_m_s2,
      (machine.axes.y ?? machine.axes.x).max_accel_m_s2,
    );
    const allowed = feedOnArc(acceleration, path);
    return {
      predicted: { estimate: exact(feedRateMmMin), unit: 'mm/min' },
      allowed: { value: allowed, unit: 'mm/min', from: `${machine.name}, axis acceleration` },
      ...used(exact(feedRateMmMin), allowed),
      why: () =>
        say(
          'Feed {2} on a {0} path radius; {1} allowed (axis acceleration).',
          measure(path, 'mm'),
          measure(allowed, 'mm/min'),
          measure(feedRateMmMin, 'mm/min'),
        ),
      formula: 'vf max = √(a·r)',
      inputs: () => [
        input('a', 'axis acceleration', acceleration, 'm/s2'),
        input('r', 'path radius', path, 'mm'),
      ],
      source: 'a = v²/r; judgement rule G-106',
    };
  },
};
