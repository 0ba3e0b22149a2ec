import { monitorEventLoopDelay } from 'node:perf_hooks';

/** How a server is doing since it was last asked. */
export interface Measured {
  /** Beyond which 1 % of the moments the loop was held lie, ms. */
  readonly loopP99Ms: number;
  /** Longest the loop was held, ms. */
  readonly loopMostMs: number;
  readonly memoryMb: number;
}

const EVERY_MS = 5;

/** Answers `measure` of whoever started this process: what watches a server from outside cannot see its loop. */
export function answerMeasure(): void {
  if (!process.send) return;
  const delay = monitorEventLoopDelay({ resolution: EVERY_MS });
  delay.enable();
  process.on('message', (message) => {
    if (message !== 'measure') return;
    const late = (ns: number): number => Math.max(0, ns / 1e6 - EVERY_MS);
    const measured: Measured = {
      loopP99Ms: late(delay.percentile(99)),
      loopMostMs: late(delay.max),
      memoryMb: process.memoryUsage().rss / 1e6,
    };
    delay.reset();
    process.send?.({ measured });
  });
}
