import type { Batch, Crib } from '@burl/contract';
import { KINDS, type Operation, type PeriodicVerdict, problemsOf } from '@burl/core';
import { useMemo } from 'react';
import { contextOf } from '../judging/context.ts';
import { question } from './question.ts';
import { useHeavy } from './use-heavy.ts';

/** The periodic verdict of the cut on the bench, from a worker once the hand rests. Null where nobody asks. */
export function usePeriodic(op: Operation, crib: Crib, batch: Batch): PeriodicVerdict | null {
  const { cut, context, key } = useMemo(() => {
    const at = contextOf(crib, op, batch);
    const cut = KINDS[op.kind].turning(op);
    if (!at || !cut || problemsOf(op, at).length > 0) return { cut, context: null, key: null };
    return { cut, context: at, key: question('periodic', op, at) };
  }, [op, crib, batch]);
  const heavy = useHeavy<PeriodicVerdict>('periodic', key, (api) => api.periodic(cut!, context!), 250);
  return key ? heavy.data : null;
}
