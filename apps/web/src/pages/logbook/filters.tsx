import { capital } from '@burl/core';
import type { TrialFacets, TrialQuestion } from '@burl/contract';
import { Field, FIELD_LOOK } from '../../ui/field.tsx';
import type { CribNames } from './crib-names.ts';
import { type Filter, FILTERS, type useQuestion } from './use-question.ts';

const LABELS: Readonly<Record<Filter, string>> = {
  alloyId: 'Alloy',
  heatLot: 'Heat lot',
  machineSerial: 'Machine serial',
  cutterId: 'Cutter',
  kind: 'Operation',
  ending: 'Outcome',
};

const wordOf = (filter: Filter, key: string, names: CribNames): string => {
  if (filter === 'alloyId') return names.alloy(key);
  if (filter === 'cutterId') return names.cutter(key);
  return key === '' ? 'not stated' : capital(key);
};

/** What is shown of the logbook. */
export function Filters({
  question,
  facets,
  names,
  onAsk,
}: {
  question: TrialQuestion;
  facets: TrialFacets | undefined;
  names: CribNames;
  onAsk: ReturnType<typeof useQuestion>[1];
}) {
  return (
    <div
      role="search"
      aria-label="Filter trials"
      className="grid grid-cols-2 gap-2 md:grid-cols-4 xl:grid-cols-8"
    >
      {FILTERS.map((filter) => (
        <Field key={filter} label={LABELS[filter]}>
          {(p) => (
            <select
              {...p}
              value={question[filter] ?? ''}
              onChange={(e) => onAsk({ [filter]: e.target.value })}
              className={FIELD_LOOK}
            >
              <option value="">All</option>
              {(facets?.[filter] ?? [])
                .filter((f) => f.key !== '')
                .map((f) => (
                  <option key={f.key} value={f.key}>
                    {wordOf(filter, f.key, names)} ({f.trials})
                  </option>
                ))}
            </select>
          )}
        </Field>
      ))}
      {(['from', 'to'] as const).map((end) => (
        <Field key={end} label={end === 'from' ? 'From' : 'To'}>
          {(p) => (
            <input
              {...p}
              type="date"
              value={question[end] ?? ''}
              onChange={(e) => onAsk({ [end]: e.target.value })}
              className={FIELD_LOOK}
            />
          )}
        </Field>
      ))}
    </div>
  );
}
