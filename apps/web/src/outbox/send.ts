import { ApiError, call, messageOf } from '../api/client.ts';
import { box, type Waiting } from './store.ts';

/** Answers after which it is tried again as it is: no line, a server that starts or is busy, a session that ended. */
const AGAIN = new Set([0, 401, 408, 429, 502, 503, 504]);

const post = (w: Waiting): Promise<unknown> =>
  w.kind === 'trial' ? call('POST', '/api/trials', {}, w.body) : call('POST', '/api/prove-out', {}, w.body);

/**
 * Sends what waits of one person, in the order it was entered, one after the other; the server keeps each once, however often it is
 * sent. What it refuses stays with the reason and stops nothing behind it. Returns what was sent.
 */
export async function sendWaiting(personId: string): Promise<Waiting[]> {
  const sent: Waiting[] = [];
  const all = await box.waiting.where('personId').equals(personId).sortBy('order');
  for (const w of all) {
    if (w.refused !== undefined) continue;
    try {
      await post(w);
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
export const sendAlone = (personId: string): Promise<Waiting[]> =>
  'locks' in navigator
    ? navigator.locks.request('burl-outbox', { ifAvailable: true }, async (lock) =>
        lock ? sendWaiting(personId) : [],
      )
    : sendWaiting(personId);
