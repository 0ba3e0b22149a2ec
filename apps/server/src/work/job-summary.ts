import { evaluate, InputError, SEVERITY } from '@burl/core';
import type { Job, JobSummary } from '@burl/contract';
import type { Judged } from '../store/judged-operations.ts';

/**
 * A job with what governs it: the worst limit of its selected variants, and the minutes of one part. An operation that cannot be
 * judged at all, whatever the reason, marks its job and no other.
 */
export function summaryOf(
  job: Job,
  operations: readonly Judged[],
): Job & Pick<JobSummary, 'operations' | 'minutes' | 'governing'> {
  let minutes = 0;
  let governing: JobSummary['governing'] = null;
  for (const { id, name, document, context, missing } of operations) {
    try {
      if (!context)
        throw new InputError([
          { field: missing ?? 'crib', value: undefined, allowed: 'an entry of the crib' },
        ]);
      const e = evaluate(document, context);
      minutes += e.time.perPart;
      if (governing === null || SEVERITY[e.state] > SEVERITY[governing.state]) {
        const limit = e.limits.find((l) => l.id === e.governing);
        governing = { state: e.state, limit: limit?.name ?? '', operation: name, operationId: id };
      }
    } catch (error) {
      const limit = error instanceof InputError ? (error.problems[0]?.field ?? 'input') : 'cannot be judged';
      governing = { state: 'over', limit, operation: name, operationId: id };
    }
  }
  return { ...job, operations: operations.length, minutes, governing };
}
