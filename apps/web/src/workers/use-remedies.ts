import type { Offer, Operation, OperationContext, Remedy } from '@burl/core';
import { useMemo } from 'react';
import { question } from './question.ts';
import { useHeavy } from './use-heavy.ts';

/** Remedies of a limit, found in a worker. While a new search runs the old ones are `stale`. */
export function useRemedies(
  op: Operation,
  context: OperationContext | null,
  limitId: string | null,
  offer: Offer,
): { remedies: readonly Remedy[]; stale: boolean } {
  const key = useMemo(
    () => (context && limitId ? question('remedies', op, context, limitId) : null),
    [op, context, limitId],
  );
  const found = useHeavy<readonly Remedy[]>('remedies', key, (api) =>
    api.remedies(op, context!, limitId!, offer),
  );
  return {
    remedies: limitId ? (found.data ?? []) : [],
    stale: key !== null && found.busy,
  };
}
