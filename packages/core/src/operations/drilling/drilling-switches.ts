import { say } from '../../units/sentence.ts';
import type { DrillingOperation } from './drilling-operation.ts';
import type { Switch } from '../switch.ts';

/** Planned pecks, a pilot before. */
export const drillingSwitches = (op: DrillingOperation): Switch[] => [
  ...(op.cut.peck === 'plan'
    ? []
    : [
        {
          id: 'peck-plan',
          title: say('Use planned pecks for this depth and coolant'),
          after: { ...op, cut: { ...op.cut, peck: 'plan' as const } },
        },
      ]),
  ...(op.hole.piloted
    ? []
    : [
        {
          id: 'pilot',
          title: say('Drill a pilot first'),
          after: { ...op, hole: { ...op.hole, piloted: true } },
        },
      ]),
];
