import type { ProveOutRecord, Trial } from '@burl/contract';
import { liveQuery } from 'dexie';
import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import { mutate } from 'swr';
import { messageOf } from '../api/client.ts';
import { sendAlone, type Sent } from './send.ts';
import { box, type Entered, type Waiting } from './store.ts';

/** What the floor has shown of a job or a release is asked for again. */
const ofFloor = (key: unknown): boolean =>
  typeof key === 'string' && /\/trials|\/prove-out|\/api\/findings|\/api\/trial/.test(key);

/** Everything that waits in this browser, oldest first. */
export function useWaiting(): readonly Waiting[] {
  const [waiting, setWaiting] = useState<readonly Waiting[]>([]);
  useEffect(() => {
    const seen = liveQuery(() => box.waiting.orderBy('order').toArray()).subscribe(setWaiting);
    return () => seen.unsubscribe();
  }, []);
  return waiting;
}

/** What was sent stands in the lists of the page at once: the next trial goes on from it. */
const known = ({ kind, waiting, kept }: Sent): Promise<unknown> =>
  kind === 'trial'
    ? mutate<Trial[]>(
        `/api/jobs/${waiting.jobId}/trials`,
        (list) => [kept, ...(list ?? []).filter((t) => t.id !== kept.id)],
        { revalidate: false },
      )
    : mutate<ProveOutRecord[]>(
        `/api/releases/${kept.releaseId}/prove-out`,
        (list) => [...(list ?? []).filter((s) => s.id !== kept.id), kept],
        { revalidate: false },
      );

async function sendNow(personId: string): Promise<void> {
  const sent = await sendAlone(personId, known);
  if (sent.length > 0) await mutate(ofFloor);
}

const AGAIN_MS = 5000;

/** Sends what waits whenever there is a line: at the start, when it comes back, and every few seconds while something waits. */
export function useSender(personId: string): void {
  const waiting = useWaiting();
  const any = waiting.some((w) => w.personId === personId && w.refused === undefined);
  useEffect(() => {
    if (!any) return;
    const go = (): void => void sendNow(personId);
    go();
    const again = setInterval(go, AGAIN_MS);
    addEventListener('online', go);
    return () => {
      clearInterval(again);
      removeEventListener('online', go);
    };
  }, [any, personId]);
}

/**
 * Puts something into the box; it is safe from then on, and is sent as soon as there is a line. Tells whether it was kept: a browser that
 * keeps nothing says so, and what was filled in stays where it is.
 */
export async function enter(entered: Entered): Promise<boolean> {
  try {
    await box.waiting.add(entered as Waiting);
    return true;
  } catch (error) {
    toast.error(`This browser could not keep it: ${messageOf(error)} Nothing was logged.`);
    return false;
  }
}

/** Takes something out that the server refused. */
export const discard = (order: number): Promise<void> => box.waiting.delete(order);
