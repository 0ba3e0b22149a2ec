import type { Operation } from '@burl/core';
import type { Variant } from '@burl/contract';
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { example } from '../../../test/crib.ts';
import { useOperation } from './use-operation.ts';

const { op } = example('Drill 6.8');
const variant: Variant = { id: 'v1', label: 'A', version: 3, document: op, updatedAt: '', updatedBy: 'Ada' };
const noted = (notes: string): Operation => ({ ...op, notes });
const always = (): boolean => true;

interface Sent {
  readonly path: string;
  readonly body: { document: Operation; version: number };
}
let sent: Sent[] = [];
let answer: (body: Sent['body']) => { status: number; data: unknown } | 'no line';

beforeEach(() => {
  vi.useFakeTimers();
  sent = [];
  answer = (body) => ({
    status: 200,
    data: { ...variant, document: body.document, version: body.version + 1 },
  });
  vi.stubGlobal('fetch', async (path: string, init: { body: string }) => {
    const body = JSON.parse(init.body) as Sent['body'];
    sent.push({ path, body });
    const result = answer(body);
    if (result === 'no line') throw new TypeError('network');
    return new Response(JSON.stringify(result.data), { status: result.status });
  });
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const rest = (ms: number): Promise<void> =>
  act(async () => {
    await vi.advanceTimersByTimeAsync(ms);
  });
const start = (valid: (op: Operation) => boolean = always, readOnly = false) =>
  renderHook(() => useOperation(variant, valid, readOnly)).result;

describe('editing a variant', () => {
  it('saves when the hand rests, once, with the version it started from, and counts on', async () => {
    const editing = start();
    act(() => editing.current.set(noted('a')));
    act(() => editing.current.set(noted('b')));
    expect(editing.current.save.is).toBe('unsaved');
    await rest(700);
    expect(sent).toEqual([{ path: '/api/variants/v1', body: { document: noted('b'), version: 3 } }]);
    expect(editing.current.save).toMatchObject({ is: 'saved', at: expect.any(Date) as Date });
    act(() => editing.current.set(noted('c')));
    await rest(700);
    expect(sent[1]!.body.version).toBe(4);
  });

  it('hands on what the server kept, once for each save', async () => {
    const kept = vi.fn();
    const { result } = renderHook(() => useOperation(variant, always, false, kept));
    act(() => result.current.set(noted('a')));
    await rest(700);
    expect(kept.mock.calls).toEqual([[{ ...variant, document: noted('a'), version: 4 }]]);
    await rest(6000);
    expect(kept).toHaveBeenCalledTimes(1);
  });

  it('calls what was undone unsaved until it is sent too', async () => {
    const editing = start();
    act(() => editing.current.set(noted('a')));
    await rest(700);
    expect(editing.current.save.is).toBe('saved');
    act(() => editing.current.undo());
    expect(editing.current.save.is).toBe('unsaved');
    await rest(700);
    expect(sent.at(-1)!.body.document).toEqual(op);
    expect(editing.current.save.is).toBe('saved');
  });

  it('does not send what cannot be cut, nor anything from a reader', async () => {
    const editing = start((o) => o.notes !== 'impossible');
    act(() => editing.current.set(noted('impossible')));
    await rest(20_000);
    expect(sent).toEqual([]);
    act(() => editing.current.undo());
    expect(editing.current.save.is).toBe('saved');
    const reader = start(always, true);
    act(() => reader.current.set(noted('x')));
    await rest(20_000);
    expect(sent).toEqual([]);
    expect(reader.current.canUndo).toBe(false);
  });

  it('sends what is unsaved when the bench is left, also behind a save on its way', async () => {
    const { result, unmount } = renderHook(() => useOperation(variant, always, false));
    act(() => result.current.set(noted('left early')));
    unmount();
    await rest(10);
    expect(sent).toEqual([{ path: '/api/variants/v1', body: { document: noted('left early'), version: 3 } }]);

    sent = [];
    const second = renderHook(() => useOperation(variant, always, false));
    act(() => second.result.current.set(noted('first')));
    await act(async () => void vi.advanceTimersByTime(601));
    act(() => second.result.current.set(noted('second')));
    second.unmount();
    await rest(10);
    expect(sent.map((s) => [s.body.document.notes, s.body.version])).toEqual([
      ['first', 3],
      ['second', 4],
    ]);
  });

  it('sends nothing on leaving when all is saved', async () => {
    const { result, unmount } = renderHook(() => useOperation(variant, always, false));
    act(() => result.current.set(noted('a')));
    await rest(700);
    unmount();
    await rest(10_000);
    expect(sent).toHaveLength(1);
  });

  it('sends an undo like any other change', async () => {
    const editing = start();
    act(() => editing.current.set(noted('a')));
    await rest(700);
    act(() => editing.current.undo());
    await rest(700);
    expect(sent.map((s) => s.body.document.notes)).toEqual(['a', op.notes]);
    act(() => editing.current.redo());
    expect(editing.current.op.notes).toBe('a');
  });

  it('tries again until the line is back, and loses nothing', async () => {
    answer = () => 'no line';
    const editing = start();
    act(() => editing.current.set(noted('kept')));
    await rest(700);
    expect(editing.current.save.is).toBe('offline');
    await rest(11_000);
    expect(sent.length).toBeGreaterThan(2);
    answer = (body) => ({ status: 200, data: { ...variant, document: body.document, version: 4 } });
    await rest(6_000);
    expect(editing.current.save.is).toBe('saved');
    expect(sent.at(-1)!.body.document.notes).toBe('kept');
  });

  it('tells why the server refused, and keeps the work', async () => {
    answer = () => ({
      status: 423,
      data: { error: 'locked', message: 'These numbers are released and locked.' },
    });
    const editing = start();
    act(() => editing.current.set(noted('late')));
    await rest(700);
    expect(editing.current.save).toEqual({
      is: 'refused',
      message: 'These numbers are released and locked.',
    });
    expect(editing.current.op.notes).toBe('late');
  });

  describe('when somebody saved in the meantime', () => {
    const theirs: Variant = { ...variant, version: 9, document: noted('theirs'), updatedBy: 'Leo' };

    async function conflict() {
      answer = (body) =>
        body.version === 3
          ? { status: 409, data: { error: 'stale', current: theirs } }
          : { status: 200, data: { ...variant, document: body.document, version: body.version + 1 } };
      const editing = start();
      act(() => editing.current.set(noted('mine')));
      await rest(700);
      expect(editing.current.save).toEqual({ is: 'conflict', theirs });
      return editing;
    }

    it('stops and sends nothing more until somebody chooses', async () => {
      await conflict();
      await rest(30_000);
      expect(sent).toHaveLength(1);
    });

    it('keeping mine saves it over theirs, with their version', async () => {
      const editing = await conflict();
      act(() => editing.current.settle('mine'));
      await rest(700);
      expect(sent.at(-1)!.body).toEqual({ document: noted('mine'), version: 9 });
      expect(editing.current.save.is).toBe('saved');
    });

    it('taking theirs shows it, and undo brings mine back', async () => {
      const editing = await conflict();
      act(() => editing.current.settle('theirs'));
      expect(editing.current.op.notes).toBe('theirs');
      act(() => editing.current.undo());
      await rest(700);
      expect(sent.at(-1)!.body).toEqual({ document: noted('mine'), version: 9 });
    });
  });
});
