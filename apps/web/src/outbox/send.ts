import type { ProveOutRecord, Trial } from '@burl/contract';
import { ApiError, call, messageOf } from '../api/client.ts';
import { box, type Waiting } from './store.ts';

/** Answers after which it is tried again as it is: no line, a server that starts or is busy, a session that ended. */
const AGAIN = new Set([0, 401, 408, 429, 502, 503, 504]);

/** What the server answered to something that was sent. */
export type Sent =
  | { readonly kind: 'trial'; readonly waiting: Waiting; readonly kept: Trial }
  | { readonly kind: 'step'; readonly waiting: Waiting; readonly kept: ProveOutRecord };

const post = async (w: Waiting): Promise<Sent> =>
  w.kind === 'trial'
    ? { kind: 'trial', waiting: w, kept: await call('POST', '/api/trials', {}, w.body) }
    : { kind: 'step', waiting: w, kept: await call('POST', '/api/prove-out', {}, w.body) };

/**
 * Sends what waits of one person, in the order it was entered, one after the other; the server keeps each once, however often it is
 * sent. What it refuses stays with the reason and stops nothing behind it. `onKept` hears of each before it leaves the box, so that it is
 * known in one place or the other at any moment. Returns what was sent.
 */
export async function sendWaiting(
  personId: string,
  onKept: (sent: Sent) => Promise<unknown> = async () => undefined,
): Promise<Waiting[]> {
  const sent: Waiting[] = [];
  const all = await box.waiting.where('personId').equals(personId).sortBy('order');
  for (const w of all) {
    if (w.refused !== undefined) continue;
    try {
      await onKept(await post(w));
      await box.waiting.delete(w.order);
      sent.push(w);
    } catch (error) {
      if (!(error instanceof ApiError) || AGAIN.has(error.status)) break;
      await box.waiting.update(w.order, { refused: messageOf(error) });
    }
  }
  return sent;
}

/** The same by one tab at a time: two that send side by side would change the order. */
export const sendAlone = (personId: string, onKept: (sent: Sent) => Promise<unknown>): Promise<Waiting[]> =>
  'locks' in navigator
    ? navigator.locks.request('burl-outbox', { ifAvailable: true }, async (lock) =>
        lock ? sendWaiting(personId, onKept) : [],
      )
    : sendWaiting(personId, onKept);
