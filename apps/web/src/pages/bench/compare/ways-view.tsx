import {
  contextWith,
  type Operation,
  type OperationContext,
  speak,
  toolFits,
  type TurnedAim,
  type TurnedOperation,
  type TurnedWay,
  type Way,
  verdictOfWays,
} from '@burl/core';
import type { Crib } from '@burl/contract';
import { useMemo, useState } from 'react';
import { useSystem } from '../../../frame/preferences.tsx';
import { offered, offerOf } from '../../../judging/offer.ts';
import { InlineChoice } from '../../../ui/inline-choice.tsx';
import { HeavyState } from '../../../workers/heavy-state.tsx';
import { question } from '../../../workers/question.ts';
import { useHeavy } from '../../../workers/use-heavy.ts';
import { WaysTable } from './ways-table.tsx';
import type { ComparedProps } from './compared-props.ts';

const AIMS: Readonly<Record<TurnedAim, string>> = { minutes: 'cycle time', cost: 'cost' };

/** Contexts of the crib's other tools that do the same: of each the first holder that takes it. */
export function othersOf(op: Operation, context: OperationContext, crib: Crib): OperationContext[] {
  const offer = offerOf(crib);
  return offered(crib.cutters, '')
    .map((c) => c.document)
    .filter((c) => c.id !== op.tooling.cutterId && toolFits(op, c))
    .filter((c) => c.suits_iso_groups.includes(context.alloy.iso513_group))
    .flatMap((c) => contextWith(op, context, c, offer) ?? []);
}

/** Ways side by side, what each is best at, and why. */
export function ComparedWays<O extends Operation>({
  ways,
  about,
  searched = false,
  disabled,
  onTake,
  onKeep,
}: {
  ways: readonly Way<O>[];
  /** How their numbers were come by. */
  about: string;
  /** Speed and feed of each are the best of many. */
  searched?: boolean;
  disabled: boolean;
  onTake: (next: O) => void;
  onKeep: (next: O) => void;
}) {
  const system = useSystem();
  const verdict = useMemo(() => verdictOfWays(ways, searched), [ways, searched]);
  return (
    <>
      {ways.length > 0 && (
        <WaysTable
          ways={ways}
          about={about}
          verdict={verdict}
          disabled={disabled}
          onTake={onTake}
          onKeep={onKeep}
        />
      )}
      {verdict.because.length > 0 && (
        <section aria-label="Why" className="rounded-lg border border-line bg-card p-3">
          <h3 className="mb-1">Why</h3>
          <ul className="list-outside list-disc space-y-1 pl-4">
            {verdict.because.map((s, i) => (
              <li key={i}>{speak(s, system)}</li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

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
