import { existsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { InputError } from '@burl/core';
import { Piscina } from 'piscina';
import { Refusal } from '../store/refusal.ts';
import { TASKS, type Tasks } from './tasks.ts';
import type { Answer } from './worker.ts';

type Given<T extends keyof Tasks> = Parameters<Tasks[T]>;
type Is<T extends keyof Tasks> = Awaited<ReturnType<Tasks[T]>>;

/** Work that would hold up everybody's requests: done elsewhere, within a time. */
export interface Work {
  /** Runs a task. Throws what it throws, and a refusal when it takes longer than `seconds` or too many wait before it. */
  run<T extends keyof Tasks>(task: T, given: Given<T>, seconds?: number): Promise<Is<T>>;
  close(): Promise<void>;
}

/** An everyday task is done in a tenth of this. */
const USUAL_SECONDS = 20;
/** Tasks that may wait before the next is turned away. */
const MOST_WAITING = 200;

function fromAnswer(answer: Answer): unknown {
  if ('input' in answer) throw new InputError(answer.input);
  if ('refusal' in answer) throw new Refusal(answer.refusal.kind, answer.refusal.message);
  return answer.is;
}

/** Threads beside the one that answers requests. A task beyond its time is ended with its thread, and another thread takes its place. */
export function workPool(threads = Math.max(1, availableParallelism() - 1)): Work {
  const built = join(import.meta.dirname, 'worker.js');
  const source = join(import.meta.dirname, 'worker.ts');
  const pool = new Piscina({
    ...(existsSync(built) ? { filename: built } : { filename: source, execArgv: ['--import', 'tsx'] }),
    // One is always there: a thread begins in a second, and the first who asks would wait for it.
    minThreads: 1,
    maxThreads: threads,
    idleTimeout: 60_000,
    maxQueue: MOST_WAITING,
    resourceLimits: { maxOldGenerationSizeMb: 512 },
  });
  return {
    async run(task, given, seconds = USUAL_SECONDS) {
      const signal = AbortSignal.timeout(seconds * 1000);
      try {
        return fromAnswer((await pool.run({ task, given }, { signal })) as Answer) as never;
      } catch (error) {
        if (signal.aborted)
          throw new Refusal(
            'too-long',
            `This takes longer than the ${seconds} seconds it may. Nothing was changed.`,
          );
        if (error instanceof Error && /task queue|queue limit/i.test(error.message))
          throw new Refusal('busy', 'Much is being worked out at the moment. Try again shortly.');
        throw error;
      }
    },
    close: () => pool.destroy(),
  };
}

/** The same on this thread: for tests, and for commands that do nothing else. */
export const workHere: Work = {
  run: async (task, given) =>
    (await (TASKS[task] as (...given: readonly unknown[]) => unknown)(...given)) as never,
  close: async () => undefined,
};
