import { type MillingOperation, PLAIN_UNDERCUT, type Way } from '@burl/core';
import { useMemo } from 'react';
import { HeavyState } from '../../../workers/heavy-state.tsx';
import { question } from '../../../workers/question.ts';
import { useHeavy } from '../../../workers/use-heavy.ts';
import { ComparedWays } from './compared-ways.tsx';
import { othersOf } from './others-of.ts';
import type { ComparedProps } from './compared-props.ts';

/** Which ways are compared, and how their numbers were come by. */
const WAYS = {
  finishing: {
    title: 'Ways to finish it',
    about: 'Each with its own first numbers, eased until wall, tool and spindle hold them.',
  },
  disc: {
    title: 'By a disc, from the side',
    about: 'Each with its own first numbers; the part has to lie on its side for a disc.',
  },
} as const;

const NONE: readonly Way<MillingOperation>[] = [];

/** The sizes that reach any other cutter: a groove's head is judged as one that goes into a wall. */
const asGroove = (op: MillingOperation): MillingOperation => ({
  ...op,
  feature: {
    ...op.feature,
    kind: 'side',
    undercut: PLAIN_UNDERCUT,
  },
});

/** Ways to finish a face, or to make a slot from the side, against the cut as it is. */
export default function MilledWays({
  of,
  op,
  context,
  crib,
  readOnly,
  onTake,
  onKeep,
}: ComparedProps<MillingOperation> & {
  of: keyof typeof WAYS;
}) {
  const others = useMemo(
    () => othersOf(of === 'disc' ? asGroove(op) : op, context, crib),
    [of, op, context, crib],
  );
  const heavy = useHeavy<Way<MillingOperation>[]>(
    // Beside the strategies, which have a lane of their own.
    'ways',
    question(`${of} ways`, op, context, others.map((o) => o.cutter.id).join()),
    (api) => (of === 'disc' ? api.discWays(op, context, others) : api.finishingWays(op, context, others)),
  );
  const ways = heavy.data ?? NONE;
  const { title, about } = WAYS[of];
  // Nothing is said of discs where none of the crib goes in.
  if (of === 'disc' && ways.length === 0) return null;
  return (
    <section aria-label={title} className="space-y-2">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="text-[16px]">{title}</h2>
        {heavy.busy && <HeavyState what="the ways" heavy={heavy} />}
      </div>
      <ComparedWays
        ways={ways}
        about={about}
        disabled={readOnly || heavy.busy}
        onTake={onTake}
        onKeep={onKeep}
      />
    </section>
  );
}
