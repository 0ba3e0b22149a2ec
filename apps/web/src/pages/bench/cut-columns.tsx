import { type Operation, problemInWords } from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import type { Crib } from '@burl/contract';
import { useMemo } from 'react';
import { Failed } from '../../ui/page-states.tsx';
import { useLatest } from '../../ui/use-latest.ts';
import { useThrottled } from '../../ui/use-throttled.ts';
import { CARDS_MS, CutMiddle } from './cut-middle.tsx';
import { Given } from './given/given.tsx';
import { LimitsColumn } from './limits/limits-column.tsx';
import type { Preview } from './notices.tsx';
import { rebase } from './rebase.ts';
import type { Judged } from './use-judged.ts';
import { WhyPlace } from '../../ui/why.tsx';
import type { Moves } from '../../judging/use-moves.ts';

/** The cut in three columns: what it is given, the cut itself, what limits it. While none can be drawn, what is wrong. */
export function CutColumns({
  op,
  crib,
  judged,
  preview,
  readOnly,
  moves,
  chatter,
  onChange,
  onPreview,
  onApply,
}: {
  op: Operation;
  crib: Crib;
  judged: Judged;
  preview: Preview | null;
  readOnly: boolean;
  moves: Moves;
  chatter: string;
  onChange: (next: Operation, gesture?: string) => void;
  onPreview: (preview: Preview | null) => void;
  onApply: (preview: Preview) => void;
}) {
  const system = useSystem();
  const { drawn, context, present, problems } = judged;
  const now = useMemo(() => ({ op, context, present }), [op, context, present]);
  const cards = useThrottled(now, CARDS_MS);
  const fromCard = useLatest((next: Operation) => onChange(rebase(cards.op, next, op)));
  const still = readOnly || preview !== null;
  if (!drawn || !context) {
    const wrong = problems.map((p) => problemInWords(p, system)).join('; ');
    return (
      <div className="grid grid-cols-[212px_minmax(0,1fr)] gap-2.5">
        {context && (
          <section aria-label="Inputs">
            <Given
              op={op}
              context={context}
              crib={crib}
              evaluation={null}
              readOnly={readOnly}
              onChange={onChange}
            />
          </section>
        )}
        <Failed what="the cut" message={wrong || 'The crib lacks an entry this operation names.'} />
      </div>
    );
  }
  return (
    <WhyPlace>
      {(whyRoom) => (
        <div
          className={`grid min-h-0 flex-1 grid-cols-[212px_minmax(0,1fr)_326px] gap-2.5 max-[1100px]:grid-cols-[186px_minmax(0,1fr)_290px] max-[900px]:grid-cols-1 ${judged.fresh ? '' : 'opacity-60'}`}
        >
          <section
            aria-label="Inputs"
            tabIndex={0}
            className="relative min-h-0 min-w-0 overflow-y-auto max-[900px]:order-last"
          >
            <Given
              op={cards.op}
              context={cards.context ?? context}
              crib={crib}
              evaluation={cards.present}
              readOnly={still}
              onChange={fromCard}
            />
          </section>
          <CutMiddle
            op={op}
            judged={{ ...judged, drawn }}
            preview={preview}
            readOnly={still}
            moves={moves}
            onChange={onChange}
            onPreview={onPreview}
          />
          <LimitsColumn
            op={op}
            crib={crib}
            judged={judged}
            preview={preview}
            readOnly={readOnly}
            chatter={chatter}
            onPreview={onPreview}
            onApply={onApply}
            whyRoom={whyRoom}
          />
        </div>
      )}
    </WhyPlace>
  );
}
