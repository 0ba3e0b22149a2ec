import { memo } from 'react';
import { type Evaluation, formatMeasure, type Operation } from '@burl/core';
import { useSystem } from '../../frame/preferences.tsx';
import { Why } from '../../ui/why.tsx';

/** Numbers that follow in each kind; those typed stand above. */
const FOLLOWS: Readonly<Record<Operation['kind'], readonly string[]>> = {
  milling: ['F', 'P', 'lean', 'theta', 'T', 't', 'cost'],
  drilling: ['Ff', 'M', 'P', 'p', 'u', 'theta', 'drift', 'T', 'metres', 't'],
  reaming: ['allowance', 'h', 'change', 'size', 'M', 'T', 'metres', 't'],
  boring: ['ap', 'Fr', 'lean', 'size', 'Ra', 'M', 'P', 'T', 't'],
  'hole-milling': ['vfc', 'ramp', 'helices', 'hex', 'lean', 'size', 'M', 'P', 'T', 't'],
  chamfering: ['vfc', 'width', 'M', 'P', 'T', 't'],
  tapping: ['vf', 'height', 'M', 'Mbreak', 'depth', 'T', 'metres', 't'],
  'thread-milling': ['vfc', 'turns', 'height', 'hex', 'F', 'taper', 'M', 'T', 't'],
};

/** What follows from the parameters, each with its band and its reasons. */
export const Numbers = memo(function Numbers({ op, evaluation }: { op: Operation; evaluation: Evaluation }) {
  const system = useSystem();
  const keys = FOLLOWS[op.kind];
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
