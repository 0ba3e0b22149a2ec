import type { TurnedAim, TurnedOperation, TurnedWay } from '@burl/core';
import { useMemo, useState } from 'react';
import { InlineChoice } from '../../../ui/inline-choice.tsx';
import { HeavyState } from '../../../workers/heavy-state.tsx';
import { question } from '../../../workers/question.ts';
import { useHeavy } from '../../../workers/use-heavy.ts';
import { ComparedWays } from './compared-ways.tsx';
import type { ComparedProps } from './compared-props.ts';
import { othersOf } from './others-of.ts';

const AIMS: Readonly<Record<TurnedAim, string>> = { minutes: 'cycle time', cost: 'cost' };

const NO_WAYS: readonly TurnedWay[] = [];

/** Ways to make the same feature side by side, each with its best numbers, who wins on what, and why. */
export default function WaysView({
  op,
  context,
  crib,
  readOnly,
  onTake,
  onKeep,
}: ComparedProps<TurnedOperation>) {
  const [aim, setAim] = useState<TurnedAim>('minutes');
  const others = useMemo(() => othersOf(op, context, crib), [op, context, crib]);
  const heavy = useHeavy<TurnedWay[]>(
    'compare',
    question('turned ways', op, context, others.map((o) => o.cutter.id).join(), aim),
    (api) => api.turnedWays(op, context, others, aim),
  );
  return (
    <div className="space-y-2">
      <div className="flex flex-wrap items-center gap-3">
        <InlineChoice
          label="Best by"
          value={aim}
          options={Object.keys(AIMS) as TurnedAim[]}
          name={(a) => AIMS[a]}
          onTake={setAim}
        />
        {heavy.busy && <HeavyState what="the ways" heavy={heavy} />}
      </div>
      <ComparedWays
        ways={heavy.data ?? NO_WAYS}
        searched
        about="Speed and feed of each are the best that no limit forbids."
        disabled={readOnly || heavy.busy}
        onTake={onTake}
        onKeep={onKeep}
      />
    </div>
  );
}
