import { useEffect, useState } from 'react';
import { heavyApi } from '../src/workers/heavy-api.ts';
import type { Heavy, Lane, Start } from '../src/workers/use-heavy.ts';

/** The same functions without a worker between: what the page asks is answered in the test's own thread. */
const direct = new Proxy(
  {},
  {
    get:
      (_, name: keyof typeof heavyApi) =>
      (...given: never[]) =>
        Promise.resolve().then(() => (heavyApi[name] as (...a: never[]) => unknown)(...given)),
  },
) as never;

/** Stands in for `useHeavy`; one question at a time, nothing to cancel. */
export function useDirectly<T>(_lane: Lane, key: string | null, start: Start<T>): Heavy<T> {
  const [answer, setAnswer] = useState<{ key: string; value: T } | null>(null);
  const [error, setError] = useState<string | null>(null);
  useEffect(() => {
    if (key === null) return;
    let wanted = true;
    start(direct, { part: () => undefined, early: () => undefined }).then(
      (value) => wanted && setAnswer({ key, value }),
      (e: unknown) => wanted && setError((e as Error).message),
    );
    return () => {
      wanted = false;
    };
    // `start` belongs to `key`.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  const current = answer !== null && answer.key === key;
  return {
    data: answer?.value ?? null,
    stale: key !== null && !current,
    busy: key !== null && !current && error === null,
    part: null,
    error,
    cancel: () => undefined,
    again: () => undefined,
  };
}
