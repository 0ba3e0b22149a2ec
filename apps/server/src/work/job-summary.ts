import { evaluate, InputError, jobMinutes, type JudgedOperation, SEVERITY, USUAL_RATES } from '@burl/core';
import type { Job, JobSummary, Setup } from '@burl/contract';
import type { Judged } from '../store/judged-operations.ts';

/** A setup of a route without its documents. */
export type RouteSetup = Pick<Setup, 'id' | 'name' | 'plan'> & { readonly operations: readonly string[] };

/**
 * A job with what governs it: the worst limit of its selected variants, and the minutes of one part. An operation that cannot be
 * judged at all, whatever the reason, marks its job and no other.
 */
export function summaryOf(
  job: Job,
  operations: readonly Judged[],
  route: readonly RouteSetup[],
): Job & Pick<JobSummary, 'operations' | 'minutes' | 'governing'> {
  const judged = new Map<string, JudgedOperation>();
  let governing: JobSummary['governing'] = null;
  for (const { id, name, document, context, missing } of operations) {
    try {
      if (!context)
        throw new InputError([
          { field: missing ?? 'crib', value: undefined, allowed: 'an entry of the crib' },
        ]);
      const e = evaluate(document, context);
      judged.set(id, { id, name, holeId: null, document, context, evaluation: e });
      if (governing === null || SEVERITY[e.state] > SEVERITY[governing.state]) {
        const limit = e.limits.find((l) => l.id === e.governing);
        governing = { state: e.state, limit: limit?.name ?? '', operation: name, operationId: id };
      }
    } catch (error) {
      const limit = error instanceof InputError ? (error.problems[0]?.field ?? 'input') : 'cannot be judged';
      governing = { state: 'over', limit, operation: name, operationId: id };
    }
  }
  const first = [...judged.values()][0]?.context;
  const minutes = first
    ? jobMinutes({
        quantity: job.quantity,
        plan: job.plan,
        alloy: first.alloy,
        rates: first.rates ?? USUAL_RATES,
        setups: route.map((s) => ({ ...s, operations: s.operations.flatMap((id) => judged.get(id) ?? []) })),
      }).perPart
    : 0;
  return { ...job, operations: operations.length, minutes, governing };
}
