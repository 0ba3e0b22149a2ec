import { say } from '../../units/sentence.ts';
import type { Switch } from '../switch.ts';
import type { TurningOperation } from './turning-operation.ts';

/** Tailstock or steady for a part that gives way. */
export function turningSwitches(op: TurningOperation): Switch[] {
  const { stretch } = op;
  const held = (support: 'tailstock' | 'steady'): TurningOperation => ({
    ...op,
    stretch: { ...stretch, support },
  });
  if (stretch.support !== 'chuck') return [];
  // A centre stands in the way of a face to the middle and of a bore.
  return stretch.way === 'outside'
    ? [
        { id: 'tailstock', title: say('Hold the free end with the tailstock'), after: held('tailstock') },
        { id: 'steady', title: say('Hold the part with a steady rest'), after: held('steady') },
      ]
    : [{ id: 'steady', title: say('Hold the part with a steady rest'), after: held('steady') }];
}
