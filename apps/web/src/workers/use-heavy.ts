import { type Remote, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { HeavyApi } from './heavy-api.ts';

/** Kinds of work that replace one another: a newer map ends an older one. */
export type Lane =
  | 'remedies'
  | 'detail'
  | 'map'
  | 'search'
  | 'odds'
  | 'compare'
  | 'ways'
  | 'rank'
  | 'periodic'
  | 'resonance'
  | 'tap'
  | 'sound'
  | 'features'
  | 'routes'
  | 'program'
  | 'rewrite';

interface Worker_ {
  readonly worker: Worker;
  readonly api: Remote<HeavyApi>;
  busy: boolean;
  /** What it is busy with; null where that is not kept. */
  key: string | null;
}

const lanes = new Map<Lane, Worker_>();

/** Work under way by key: it goes on when the page that asked for it is left, and is found again by the next. */
const underway = new Map<string, Promise<unknown>>();

function fresh(lane: Lane): Worker_ {
  const worker = new Worker(new URL('./heavy-worker.ts', import.meta.url), { type: 'module' });
  const made: Worker_ = { worker, api: wrap<HeavyApi>(worker), busy: false, key: null };
  lanes.set(lane, made);
  return made;
}

/** A worker that is free for this lane: the idle one, or a new one in place of one that is busy with something outdated. */
function freeWorker(lane: Lane): Worker_ {
  const known = lanes.get(lane);
  if (!known) return fresh(lane);
  if (!known.busy) return known;
  end(lane, known);
  return fresh(lane);
}

/** Ends a worker. What it was at never comes to an end of its own: asked again, it has to be begun again. */
function end(lane: Lane, { worker, key }: Worker_): void {
  worker.terminate();
  lanes.delete(lane);
  if (key !== null) underway.delete(key);
}

/** One question to a worker, for what a person asked by a button. */
export async function askWorker<T>(lane: Lane, ask: (api: Remote<HeavyApi>) => Promise<T>): Promise<T> {
  const taken = freeWorker(lane);
  taken.busy = true;
  taken.key = null;
  try {
    return await ask(taken.api);
  } finally {
    taken.busy = false;
  }
}

/** What was worked out stays, so that leaving a page and coming back costs nothing. */
const results = new Map<string, unknown>();
const KEPT = 40;

function keep(key: string, value: unknown): void {
  results.delete(key);
  results.set(key, value);
  const oldest = results.keys().next();
  if (results.size > KEPT && !oldest.done) results.delete(oldest.value);
}

interface Progress<T> {
  /** Share done, 0 to 1; null where it is not known. */
  part(part: number): void;
  /** A first answer, to be replaced. */
  early(value: T): void;
}

export interface Heavy<T> {
  /** The newest answer; `stale` while it belongs to an older question. */
  readonly data: T | null;
  readonly stale: boolean;
  readonly busy: boolean;
  readonly part: number | null;
  readonly error: string | null;
  cancel(): void;
  again(): void;
}

export type Start<T> = (api: Remote<HeavyApi>, progress: Progress<T>) => Promise<T>;

/**
 * Work done in a worker. `key` names the question; null asks nothing. `rest` is how long the hand has to rest first, ms.
 * A new question in the same lane ends the old work; the old answer stays, marked stale, until the new one is there.
 */
export function useHeavy<T>(lane: Lane, key: string | null, start: Start<T>, rest = 180): Heavy<T> {
  const [answer, setAnswer] = useState<{
    readonly key: string;
    readonly value: T;
    readonly early: boolean;
  } | null>(null);
  const [part, setPart] = useState<number | null>(null);
  const [failed, setFailed] = useState<{ readonly key: string; readonly message: string } | null>(null);
  const [cancelled, setCancelled] = useState<string | null>(null);
  const [round, setRound] = useState(0);

  useEffect(() => {
    if (key === null || cancelled === key) return;
    const known = results.get(key) as T | undefined;
    let wanted = true;
    const timer = setTimeout(
      () => {
        if (known !== undefined) {
          setAnswer({ key, value: known, early: false });
          return;
        }
        setPart(null);
        const old = underway.get(key) as Promise<T> | undefined;
        const work = old ?? begin();
        work.then(
          (value) => wanted && setAnswer({ key, value, early: false }),
          (error: unknown) =>
            wanted && setFailed({ key, message: error instanceof Error ? error.message : String(error) }),
        );
      },
      known === undefined ? rest : 0,
    );
    function begin(): Promise<T> {
      const taken = freeWorker(lane);
      taken.busy = true;
      taken.key = key!;
      const work = start(taken.api, {
        part: (share) => wanted && setPart(share),
        early: (value) => wanted && setAnswer({ key: key!, value, early: true }),
      }).finally(() => {
        taken.busy = false;
        // Begun anew meanwhile, it is another's.
        if (underway.get(key!) === work) underway.delete(key!);
      });
      underway.set(key!, work);
      void work.then(
        (value) => keep(key!, value),
        () => undefined,
      );
      return work;
    }
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
    // `start` belongs to `key`: a new one with the same key asks the same.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [lane, key, cancelled, round, rest]);

  const error = failed && failed.key === key ? failed.message : null;
  const current = answer !== null && answer.key === key && !answer.early;
  return {
    data: answer?.value ?? null,
    stale: key !== null && (answer === null || answer.key !== key),
    busy: key !== null && !current && error === null && cancelled !== key,
    part,
    error,
    cancel: () => {
      const known = lanes.get(lane);
      if (known) end(lane, known);
      if (key !== null) underway.delete(key);
      setCancelled(key);
    },
    again: () => {
      if (key !== null) results.delete(key);
      setCancelled(null);
      setFailed(null);
      setRound((n) => n + 1);
    },
  };
}
