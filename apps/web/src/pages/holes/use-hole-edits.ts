import { type HoleDemand, InputError, requireDemand, type StepChanges } from '@burl/core';
import type { HoleKindRecord } from '@burl/contract';
import { useCallback, useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';
import { call, messageOf } from '../../api/client.ts';
import { refreshJob } from '../../api/hooks.ts';

/** What can be changed of a kind of hole. */
export interface HoleState {
  readonly demand: HoleDemand;
  readonly chosen: string | null;
  readonly changes: Readonly<Record<string, StepChanges>>;
}

const stateOf = ({ demand, chosen, changes }: HoleKindRecord): HoleState => ({ demand, chosen, changes });

/** What is asked can be at all. */
function isPossible(demand: HoleDemand): boolean {
  try {
    requireDemand(demand);
    return true;
  } catch (error) {
    if (error instanceof InputError) return false;
    throw error;
  }
}

/**
 * Edits of one kind of hole: shown at once, saved one after the other, undone by bringing the state before back.
 * What cannot be stands there with what is wrong with it and is not sent; a refused edit goes back and says why; nothing already saved
 * is lost.
 */
export function useHoleEdits(record: HoleKindRecord, jobId: string) {
  const [ahead, setAhead] = useState<HoleState | null>(null);
  const [past, setPast] = useState<readonly HoleState[]>([]);
  const version = useRef(record.version);
  useEffect(() => {
    version.current = Math.max(version.current, record.version);
  }, [record.version]);
  const queue = useRef(Promise.resolve());
  const now = ahead ?? stateOf(record);

  const save = useCallback(
    (next: HoleState) => {
      setAhead(next);
      if (!isPossible(next.demand)) return queue.current;
      queue.current = queue.current.then(async () => {
        try {
          const after = await call(
            'PUT',
            '/api/holes/:id',
            { id: record.id },
            {
              ...next,
              version: version.current,
            },
          );
          version.current = after.version;
        } catch (error) {
          toast.error(messageOf(error));
        }
        await refreshJob(jobId);
        setAhead((a) => (a === next ? null : a));
      });
      return queue.current;
    },
    [jobId, record.id],
  );
  const set = (next: HoleState) => {
    setPast((p) => [...p.slice(-49), now]);
    return save(next);
  };
  const undo = () => {
    const last = past.at(-1);
    if (!last) return;
    setPast((p) => p.slice(0, -1));
    void save(last);
  };
  return { now, set, undo, canUndo: past.length > 0 };
}
