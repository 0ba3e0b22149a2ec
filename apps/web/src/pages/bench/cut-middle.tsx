import type { Operation, Parameter } from '@burl/core';
import { useState } from 'react';
import { useLatest } from '../../ui/use-latest.ts';
import { useThrottled } from '../../ui/use-throttled.ts';
import { KIND_VIEWS } from './kind-views.tsx';
import type { Preview } from './notices.tsx';
import { Numbers } from './numbers.tsx';
import { Charts } from './panels/charts.tsx';
import { Parameters } from './parameters.tsx';
import { rebase } from './rebase.ts';
import type { Judged } from './use-judged.ts';
import type { Moves } from '../../judging/use-moves.ts';

/** How often the chart follows while a handle is dragged, ms. */
const CHART_MS = 130;
/** And the numbers that follow; unequal, so that they seldom share a frame. */
export const CARDS_MS = 290;

/** The cut drawn with its handles, the parameters, what follows from them, and a chart. */
export function CutMiddle({
  op,
  judged,
  preview,
  readOnly,
  moves,
  onChange,
  onPreview,
}: {
  op: Operation;
  judged: Judged & { readonly drawn: NonNullable<Judged['drawn']> };
  preview: Preview | null;
  /** Nothing can be moved: locked, or only looked at. */
  readOnly: boolean;
  moves: Moves;
  onChange: (next: Operation, gesture?: string) => void;
  onPreview: (preview: Preview | null) => void;
}) {
  const [large, setLarge] = useState(false);
  const { drawn, present } = judged;
  // Drawing, parameters and limits follow the hand in its frame; numbers and chart a few times a second.
  const results = useThrottled(drawn, CARDS_MS);
  const charted = useThrottled(drawn, CHART_MS);
  const { Drawing } = KIND_VIEWS[drawn.op.kind];
  const dragged = (key: Parameter, value: number) => moves.parameter(key, value, key);
  const toSpeed = useLatest((rpm: number) => dragged('n', rpm));
  const toSeveral = useLatest(moves.several);
  const toParameter = useLatest(moves.parameter);
  const toPin = useLatest(moves.pin);
  const fromChart = useLatest((next: Operation) => onChange(rebase(charted.op, next, op)));
  return (
    <div className="flex min-h-0 min-w-0 flex-col gap-2.5 relative overflow-y-auto">
      <section
        aria-label="The cut"
        hidden={large}
        className="shrink-0 overflow-hidden rounded-lg border border-line bg-card [[hidden]]:hidden"
      >
        {drawn.context && (
          <Drawing
            op={drawn.op}
            context={drawn.context}
            evaluation={drawn.evaluation}
            readOnly={readOnly}
            onParameter={dragged}
            onChange={onChange}
          />
        )}
      </section>
      <Parameters
        op={drawn.op}
        context={drawn.context}
        evaluation={drawn.evaluation}
        compared={preview ? present : null}
        readOnly={readOnly}
        onSet={toParameter}
        onPin={toPin}
      />
      {!large && <Numbers op={results.op} evaluation={results.evaluation} />}
      {charted.context && (
        <Charts
          op={charted.op}
          context={charted.context}
          evaluation={charted.evaluation}
          readOnly={readOnly}
          onSpeed={toSpeed}
          onMove={toSeveral}
          onPreview={onPreview}
          onChange={fromChart}
          large={large}
          onLarge={setLarge}
        />
      )}
    </div>
  );
}
