import { heldOtherwise } from '../lathe/held-otherwise.ts';
import type { Switch } from '../switch.ts';
import type { TurningOperation } from './turning-operation.ts';

/** Tailstock or steady for a part that gives way. */
export const turningSwitches = (op: TurningOperation): Switch[] =>
  heldOtherwise(op.stretch.support, op.stretch.way === 'outside', (support) => ({
    ...op,
    stretch: { ...op.stretch, support },
  }));
