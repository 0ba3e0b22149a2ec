import { memo } from 'react';
import { type Evaluation, formatMeasure, KINDS, type Operation } from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { Why } from '../../ui/why.tsx';

/** What follows from the parameters, each with its band and its reasons. */
export const Numbers = memo(function Numbers({ op, evaluation }: { op: Operation; evaluation: Evaluation }) {
  const system = useSystem();
  const keys = KINDS[op.kind].shown.follows;
  return (
    <section
      aria-label="Results"
      className="flex shrink-0 flex-wrap gap-x-3 gap-y-0.5 rounded-lg border border-line bg-card px-3 py-1.5"
    >
      {evaluation.numbers
        .filter((q) => keys.includes(q.key))
        .map((q) => (
          <span key={q.key} className="inline-flex items-center gap-1 whitespace-nowrap">
            <span className="inline-block first-letter:uppercase text-[12.5px] text-soft">{q.name}</span>
            <span className="font-semibold">{formatMeasure(q.value, q.unit, system)}</span>
            <Why name={q.name} what={q} band={q} unit={q.unit} sources={evaluation.sources} />
          </span>
        ))}
    </section>
  );
});
