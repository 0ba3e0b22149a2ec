import type { Holder, Operation, OperationContext, Remedy } from '@burl/core';
import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { RemedyWorker } from './remedy-worker.ts';

let worker: ReturnType<typeof wrap<RemedyWorker>> | undefined;

const remedyWorker = (): NonNullable<typeof worker> =>
  (worker ??= wrap<RemedyWorker>(
    new Worker(new URL('./remedy-worker.ts', import.meta.url), { type: 'module' }),
  ));

/** How long the hand has to rest before the search starts. */
const REST_MS = 180;

/** Remedies of a limit, found in a worker. While a new search runs the old ones are `stale`. */
export function useRemedies(
  op: Operation,
  context: OperationContext | null,
  limitId: string | null,
  holders: readonly Holder[],
): { remedies: readonly Remedy[]; stale: boolean } {
  const [found, setFound] = useState<{ for: Operation; limitId: string; remedies: readonly Remedy[] } | null>(
    null,
  );
  useEffect(() => {
    if (!context || !limitId) return;
    let wanted = true;
    const timer = setTimeout(() => {
      remedyWorker()
        .remedies(op, context, limitId, holders)
        .then(
          (remedies) => wanted && setFound({ for: op, limitId, remedies }),
          () => wanted && setFound({ for: op, limitId, remedies: [] }),
        );
    }, REST_MS);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [op, context, limitId, holders]);
  const right = found !== null && found.limitId === limitId;
  return {
    remedies: right && limitId ? found.remedies : [],
    stale: limitId !== null && (!right || found.for !== op),
  };
}
