import type { Crib } from '@burl/contract';
import { type Operation, type PeriodicVerdict, problemsOf } from '@burl/core';
import { useMemo } from 'react';
import { contextOf } from '../judging/context.ts';
import { question } from './question.ts';
import { useHeavy } from './use-heavy.ts';

/** The periodic verdict of the cut on the bench, from a worker once the hand rests. Null for holes. */
export function usePeriodic(op: Operation, crib: Crib, quantity: number): PeriodicVerdict | null {
  const { context, key } = useMemo(() => {
    const at = contextOf(crib, op, quantity);
    if (!at || op.kind !== 'milling' || op.path.strategy === 'plunge') return { context: null, key: null };
    if (problemsOf(op, at).length > 0) return { context: null, key: null };
    return { context: at, key: question('periodic', op, at) };
  }, [op, crib, quantity]);
  const heavy = useHeavy<PeriodicVerdict>(
    'periodic',
    key,
    (api) => api.periodic(op as Extract<Operation, { kind: 'milling' }>, context!),
    250,
  );
  return key ? heavy.data : null;
}
