import 'fake-indexeddb/auto';
import type { TrialInput } from '@burl/contract';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { sendWaiting } from './send.ts';
import { box, type Waiting } from './store.ts';

const trial = (id: string): TrialInput => ({ id, note: `trial ${id}` }) as TrialInput;
const put = (id: string, personId = 'mira'): Promise<number> =>
  box.waiting.add({
    kind: 'trial',
    id,
    personId,
    what: `Trial ${id}`,
    jobId: 'j',
    body: trial(id),
  } as unknown as Waiting);
const left = async (): Promise<string[]> => (await box.waiting.orderBy('order').toArray()).map((w) => w.id);

/** A server that answers each id as told, and writes down in which order they came. */
function answering(by: Readonly<Record<string, number | 'no line'>>): string[] {
  const came: string[] = [];
  vi.stubGlobal('fetch', async (_: string, init: { body: string }) => {
    const { id } = JSON.parse(init.body) as { id: string };
    came.push(id);
    const status = by[id] ?? 201;
    if (status === 'no line') throw new TypeError('fetch failed');
    return new Response(JSON.stringify({ message: 'edge must be 1 or more' }), { status });
  });
  return came;
}

beforeEach(() => box.waiting.clear());
afterEach(() => vi.unstubAllGlobals());

describe('what was entered at the machine', () => {
  it('goes out in the order it was entered and is gone when the server has it', async () => {
    for (const id of ['a', 'b', 'c']) await put(id);
    const came = answering({});
    // Known to the page before it leaves the box: at no moment is it nowhere.
    const inBox: boolean[] = [];
    const sent = await sendWaiting('mira', async ({ waiting }) => {
      inBox.push((await left()).includes(waiting.id));
    });
    expect(inBox).toEqual([true, true, true]);
    expect(sent.map((w) => w.id)).toEqual(['a', 'b', 'c']);
    expect(came).toEqual(['a', 'b', 'c']);
    expect(await left()).toEqual([]);
  });

  it('waits, all of it and in order, while there is no line', async () => {
    for (const id of ['a', 'b', 'c']) await put(id);
    const came = answering({ b: 'no line' });
    await sendWaiting('mira');
    expect(came).toEqual(['a', 'b']);
    expect(await left()).toEqual(['b', 'c']);
    const again = answering({});
    await sendWaiting('mira');
    expect(again).toEqual(['b', 'c']);
    expect(await left()).toEqual([]);
  });

  it('is tried again after a session that ended or a server that starts, and stays with its reason where it is refused', async () => {
    for (const id of ['a', 'b', 'c']) await put(id);
    answering({ a: 401 });
    await sendWaiting('mira');
    expect(await left()).toEqual(['a', 'b', 'c']);
    answering({ a: 503 });
    await sendWaiting('mira');
    expect(await left()).toEqual(['a', 'b', 'c']);
    const came = answering({ b: 400 });
    await sendWaiting('mira');
    expect(came).toEqual(['a', 'b', 'c']);
    expect((await box.waiting.toArray()).map((w) => [w.id, w.refused])).toEqual([
      ['b', 'edge must be 1 or more'],
    ]);
    const later = answering({});
    await sendWaiting('mira');
    expect(later).toEqual([]);
  });

  it('is sent under nobody else’s name, and kept once however often it is put in', async () => {
    await put('a', 'mira');
    await put('b', 'ada');
    await expect(put('a', 'mira')).rejects.toThrow();
    const came = answering({});
    await sendWaiting('ada');
    expect(came).toEqual(['b']);
    expect(await left()).toEqual(['a']);
  });
});
