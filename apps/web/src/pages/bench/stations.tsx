import { STATE_WORDS } from '@burl/core';
import { chosenVariant, batchAt, type JobDetail } from '@burl/contract';
import { memo } from 'react';
import { Link } from 'react-router';
import type { Crib } from '@burl/contract';
import { StateMark } from '../../ui/state-mark.tsx';
import { contextOf } from '../../judging/context.ts';
import { judge } from '../../judging/judgement.ts';

/** The part's operations as a line of stations above the bench; the present one is marked. */
export const Stations = memo(function Stations({
  detail,
  crib,
  current,
}: {
  detail: JobDetail;
  crib: Crib;
  current: string;
}) {
  let number = 0;
  return (
    <nav aria-label="Operations of this job" className="relative flex gap-1.5 overflow-x-auto pb-1">
      {detail.setups.flatMap((s) =>
        s.operations.map((o) => {
          number++;
          const document = chosenVariant(o)?.document;
          const e = document
            ? judge(document, contextOf(crib, document, batchAt(detail.job, s))).evaluation
            : null;
          const here = o.id === current;
          return (
            <Link
              key={o.id}
              to={`/jobs/${detail.job.id}/ops/${o.id}`}
              aria-current={here ? 'page' : undefined}
              className={`min-w-28 shrink-0 rounded-md border px-2 py-1 leading-tight ${here ? 'border-accent bg-accent-soft' : 'border-line bg-card hover:border-accent'}`}
            >
              <span className="block truncate font-semibold">
                {number} {o.name}
              </span>
              <span className="flex items-center gap-1 text-[12.5px] text-soft">
                {e ? (
                  <>
                    <StateMark state={e.state} size={12} />
                    <span className="sr-only">{STATE_WORDS[e.state]}</span>
                    {e.time.perPart.toFixed(1)} min
                  </>
                ) : (
                  'needs input'
                )}
              </span>
            </Link>
          );
        }),
      )}
    </nav>
  );
});
