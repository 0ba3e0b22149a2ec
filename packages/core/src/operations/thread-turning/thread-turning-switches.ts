import { say } from '../../units/sentence.ts';
import { INFEEDS } from '../../physics/threads/turned-passes.ts';
import { heldOtherwise } from '../lathe/held-otherwise.ts';
import type { Switch } from '../switch.ts';
import type { ThreadTurningOperation } from './thread-turning-operation.ts';

const IN = {
  radial: 'Go straight in',
  flank: 'Go in along one flank',
  alternating: 'Go in along both flanks in turn',
} as const;

/** Another support, another way in. */
export const threadTurningSwitches = (op: ThreadTurningOperation): Switch[] => [
  ...heldOtherwise(op.turned.support, !op.turned.internal, (support) => ({
    ...op,
    turned: { ...op.turned, support },
  })),
  ...INFEEDS.filter((infeed) => infeed !== op.cut.infeed).map((infeed) => ({
    id: `infeed-${infeed}`,
    title: say(IN[infeed]),
    after: { ...op, cut: { ...op.cut, infeed } },
  })),
];
