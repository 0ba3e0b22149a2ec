import { evaluate, InputError, type LimitState } from '@burl/core';
import type { Crib, Job, JobSummary, Setup } from '@burl/contract';
import { contextInCrib } from './crib-store.ts';

const RANK: Readonly<Record<LimitState, number>> = { over: 3, tight: 2, unproven: 1, clear: 0 };

/** A job with what governs it: the worst limit of its selected variants, and the minutes of one part. */
export function summaryOf(job: Job, route: readonly Setup[], crib: Crib): JobSummary {
  let minutes = 0;
  let governing: JobSummary['governing'] = null;
  const all = route.flatMap((s) => s.operations);
  for (const op of all) {
    const variant = op.variants.find((v) => v.label === op.selected);
    if (!variant) continue;
    try {
      const e = evaluate(variant.document, contextInCrib(crib, variant.document, job.quantity));
      minutes += e.time.perPart;
      if (governing === null || RANK[e.state] > RANK[governing.state]) {
        const limit = e.limits.find((l) => l.id === e.governing);
        governing = { state: e.state, limit: limit?.name ?? '', operation: op.name, operationId: op.id };
      }
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      governing = {
        state: 'over',
        limit: error.problems[0]?.field ?? 'input',
        operation: op.name,
        operationId: op.id,
      };
    }
  }
  return { ...job, operations: all.length, minutes, governing };
}
