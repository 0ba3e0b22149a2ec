import type { TrialQuestion } from '@burl/contract';
import { useCallback, useMemo } from 'react';
import { useSearchParams } from 'react-router';

/** What the logbook is asked by, in the order it is shown. */
export const FILTERS = ['alloyId', 'heatLot', 'machineSerial', 'cutterId', 'kind', 'ending'] as const;
export type Filter = (typeof FILTERS)[number];
const KEYS = [...FILTERS, 'from', 'to'] as const;

/** The question stands in the address, so that a link carries it. */
export function useQuestion(): readonly [
  TrialQuestion,
  (change: Partial<Record<(typeof KEYS)[number], string>>) => void,
] {
  const [search, setSearch] = useSearchParams();
  const text = search.toString();
  const question = useMemo(() => {
    const given = new URLSearchParams(text);
    return Object.fromEntries(
      KEYS.flatMap((k) => (given.get(k) ? [[k, given.get(k)!]] : [])),
    ) as TrialQuestion;
  }, [text]);
  const ask = useCallback(
    (change: Partial<Record<(typeof KEYS)[number], string>>) =>
      setSearch(
        (now) => {
          const next = new URLSearchParams(now);
          for (const [k, v] of Object.entries(change))
            if (v) next.set(k, v);
            else next.delete(k);
          return next;
        },
        { replace: true },
      ),
    [setSearch],
  );
  return [question, ask];
}
