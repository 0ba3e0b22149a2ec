import { say } from '../../units/sentence.ts';
import type { OperationContext } from '../context.ts';
import { seatSwitches } from '../lathe/seat-switches.ts';
import { heldOtherwise } from '../lathe/held-otherwise.ts';
import type { Switch } from '../switch.ts';
import type { Catch, Groove, GroovingOperation } from './grooving-operation.ts';

/** Another support, another way to widen, another end to begin at, something that takes the part. */
export function groovingSwitches(op: GroovingOperation, context: OperationContext): Switch[] {
  const { groove: g, cut } = op;
  const groove = (change: Partial<Groove>): GroovingOperation => ({ ...op, groove: { ...g, ...change } });
  const cutting = (change: Partial<GroovingOperation['cut']>): GroovingOperation => ({
    ...op,
    cut: { ...cut, ...change },
  });
  const caught = (by: Catch): Switch => ({
    id: by,
    title: say(by === 'catcher' ? 'Take the part with a catcher' : 'Take the part with the sub-spindle'),
    after: groove({ caughtBy: by }),
  });
  return [
    ...seatSwitches(op, context),
    ...heldOtherwise(g.support, g.way === 'outside', (support) => groove({ support })),
    ...(g.way === 'face'
      ? [
          cut.firstPlunge === 'outer'
            ? {
                id: 'inner-first',
                title: say('Begin at the inner end'),
                after: cutting({ firstPlunge: 'inner' }),
              }
            : {
                id: 'outer-first',
                title: say('Begin at the outer end'),
                after: cutting({ firstPlunge: 'outer' }),
              },
        ]
      : []),
    ...(cut.widenBy === 'side'
      ? [{ id: 'plunges', title: say('Widen by plunges'), after: cutting({ widenBy: 'plunges' }) }]
      : []),
    ...(g.way === 'part-off' && g.caughtBy === 'nothing' ? [caught('catcher'), caught('sub-spindle')] : []),
    ...(g.way === 'part-off' && g.caughtBy === 'catcher' ? [caught('sub-spindle')] : []),
    ...(g.way === 'part-off' && cut.slowShare > 0.75
      ? [
          {
            id: 'slow-centre',
            title: say('Slow the feed to 60% near the centre'),
            after: cutting({ slowShare: 0.6, slowBelowMm: Math.max(g.endMm, g.boreMm) + 3 }),
          },
        ]
      : []),
  ];
}
