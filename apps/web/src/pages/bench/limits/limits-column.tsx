import type { Evaluation, Operation } from '@burl/core';
import type { Crib } from '@burl/contract';
import { useMemo, useState } from 'react';
import { offerOf } from '../../../judging/offer.ts';
import { useRemedies } from '../../../workers/use-remedies.ts';
import type { Preview } from '../notices.tsx';
import type { Judged } from '../use-judged.ts';
import { Governing } from './governing.tsx';
import { Ladder } from './ladder.tsx';

/** The limit looked at: the one opened as long as there is something to see, the governing one otherwise. */
function focusOf(present: Evaluation | null, opened: string | null): string | null {
  const limit = opened === null ? undefined : present?.limits.find((l) => l.id === opened);
  // Vibration is looked at even where it is clear: from there the way leads to the test cuts.
  if (limit && (limit.state !== 'clear' || limit.group === 'vibration')) return limit.id;
  return present?.governing ?? null;
}

/** What limits the cut: the limit looked at with its remedies, all the others, and what can hurt someone. */
export function LimitsColumn({
  op,
  crib,
  judged,
  preview,
  readOnly,
  chatter,
  onPreview,
  onApply,
  whyRoom,
}: {
  op: Operation;
  crib: Crib;
  judged: Judged;
  preview: Preview | null;
  readOnly: boolean;
  /** Where the vibration of this combination is measured. */
  chatter: string;
  onPreview: (preview: Preview | null) => void;
  onApply: (preview: Preview) => void;
  /** Takes the place where reasons are shown. */
  whyRoom: (element: HTMLElement | null) => void;
}) {
  const [opened, setOpened] = useState<string | null>(null);
  const { present, drawn, context } = judged;
  const focus = focusOf(present, opened);
  const offer = useMemo(() => offerOf(crib), [crib]);
  const wanted = focus && present?.limits.find((l) => l.id === focus)?.state !== 'clear' ? focus : null;
  const { remedies, stale } = useRemedies(op, context, wanted, offer);
  if (!drawn) return null;
  return (
    <aside
      aria-label="What limits it"
      tabIndex={0}
      className="min-h-0 min-w-0 space-y-2.5 relative overflow-y-auto"
    >
      <div ref={whyRoom} />
      {present && focus && (
        <Governing
          evaluation={preview ? drawn.evaluation : present}
          limitId={focus}
          remedies={remedies}
          stale={stale}
          previewing={preview?.id ?? null}
          readOnly={readOnly}
          onPreview={onPreview}
          onApply={(remedy) => {
            setOpened(null);
            onApply(remedy);
          }}
          chatter={chatter}
        />
      )}
      <Ladder evaluation={drawn.evaluation} opened={opened} onOpen={setOpened} />
      <section aria-label="Cautions" className="rounded-lg border border-line bg-card p-3">
        <h2 className="mb-1">Cautions</h2>
        <ul className="list-outside list-disc space-y-1 pl-4 text-[13px]">
          {drawn.evaluation.cautions.map((c) => (
            <li key={c}>{c}</li>
          ))}
        </ul>
      </section>
    </aside>
  );
}
