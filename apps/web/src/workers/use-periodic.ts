import type { Batch, Crib } from '@burl/contract';
import { KINDS, type Operation, type PeriodicVerdict, problemsOf } from '@burl/core';
import { useMemo } from 'react';
import { contextOf } from '../judging/context.ts';
import { question } from './question.ts';
import { useHeavy } from './use-heavy.ts';

/** The periodic verdict of a cut; null where nobody asks or it is not there yet. */
export interface Periodic {
  readonly verdict: PeriodicVerdict | null;
  /** Why it could not be worked out: the averaged border stands then. */
  readonly failed: string | null;
}

/** The periodic verdict of the cut on the bench, from a worker once the hand rests. */
export function usePeriodic(op: Operation, crib: Crib, batch: Batch): Periodic {
  const { cut, context, key } = useMemo(() => {
    const at = contextOf(crib, op, batch);
    const cut = KINDS[op.kind].turning(op);
    if (!at || !cut || problemsOf(op, at).length > 0) return { cut, context: null, key: null };
    return { cut, context: at, key: question('periodic', op, at) };
  }, [op, crib, batch]);
  const heavy = useHeavy<PeriodicVerdict>('periodic', key, (api) => api.periodic(cut!, context!), 250);
  return key ? { verdict: heavy.data, failed: heavy.error } : { verdict: null, failed: null };
}
