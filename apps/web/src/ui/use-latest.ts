import { useCallback, useLayoutEffect, useRef } from 'react';

/** A function that stays the same and always calls the newest: for parts that are drawn anew only when what they show changed. */
export function useLatest<A extends readonly unknown[], R>(call: (...given: A) => R): (...given: A) => R {
  const newest = useRef(call);
  useLayoutEffect(() => {
    newest.current = call;
  });
  return useCallback((...given: A) => newest.current(...given), []);
}
