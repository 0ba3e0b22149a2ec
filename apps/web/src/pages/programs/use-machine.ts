import { type MachineSample, type MeasuredLines, withSamples } from '@burl/core';
import { useEffect, useState } from 'react';

/** How often the machine is asked, ms, and for how many samples at once. */
const ASK_MS = 1000;
const COUNT = 1000;

export interface MachineSeen {
  readonly measured: MeasuredLines;
  readonly newest: MachineSample | null;
  readonly error: string | null;
}
const NOTHING: MachineSeen = { measured: new Map(), newest: null, error: null };

/** The machine beside a kept program, asked as long as it is watched; what it told of each line stays when it is not. */
export function useMachine(programId: string | null, watching: boolean): MachineSeen {
  const [seen, setSeen] = useState<{ readonly of: string | null; readonly is: MachineSeen }>({
    of: null,
    is: NOTHING,
  });
  useEffect(() => {
    if (!programId || !watching) return;
    let wanted = true;
    let from: number | null = null;
    let asking = false;
    async function ask(): Promise<void> {
      if (asking) return;
      asking = true;
      const address = `/api/programs/${programId}/machine/sample?count=${COUNT}${from === null ? '' : `&from=${from}`}`;
      try {
        const [response, { readStreams }] = await Promise.all([
          fetch(address),
          import('@burl/contract/machine-stream'),
        ]);
        if (!response.ok) throw new Error(`the machine answered ${response.status}`);
        const { samples, nextSequence } = readStreams(await response.text());
        from = nextSequence;
        if (!wanted) return;
        setSeen((s) => {
          const before = s.of === programId ? s.is : NOTHING;
          return {
            of: programId,
            is: {
              measured: withSamples(before.measured, samples),
              newest: samples.at(-1) ?? before.newest,
              error: null,
            },
          };
        });
      } catch (e) {
        if (wanted)
          setSeen((s) => ({
            of: programId,
            is: { ...(s.of === programId ? s.is : NOTHING), error: (e as Error).message },
          }));
      } finally {
        asking = false;
      }
    }
    void ask();
    const timer = setInterval(() => void ask(), ASK_MS);
    return () => {
      wanted = false;
      clearInterval(timer);
    };
  }, [programId, watching]);
  return seen.of === programId ? seen.is : NOTHING;
}
