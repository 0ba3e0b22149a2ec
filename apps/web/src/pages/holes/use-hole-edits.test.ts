import { PLAIN_DEMAND } from '@burl/core';
import type { HoleKindRecord } from '@burl/contract';
import { act, renderHook } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { useHoleEdits } from './use-hole-edits.ts';

const call = vi.hoisted(() => vi.fn());
const said = vi.hoisted(() => vi.fn());
vi.mock('../../api/client.ts', () => ({ call, messageOf: (e: Error) => e.message }));
vi.mock('../../api/hooks.ts', () => ({ refreshJob: () => Promise.resolve() }));
vi.mock('sonner', () => ({ toast: { error: said } }));

const record = {
  id: 'kind',
  version: 3,
  demand: { ...PLAIN_DEMAND, diameterMm: 10, depthMm: 18 },
  chosen: null,
  changes: {},
} as unknown as HoleKindRecord;
const edits = () => renderHook(() => useHoleEdits(record, 'job')).result;
const depth = (mm: number) => ({ demand: { ...record.demand, depthMm: mm }, chosen: null, changes: {} });

beforeEach(() => {
  call.mockReset();
  said.mockReset();
  call.mockResolvedValue({ version: 4 });
});

describe('edits of a kind of hole', () => {
  it('are sent with the version they were made on', async () => {
    const at = edits();
    await act(() => at.current.set(depth(20)));
    expect(call).toHaveBeenCalledTimes(1);
    expect(call.mock.calls[0]![3]).toMatchObject({ demand: { depthMm: 20 }, version: 3 });
  });

  it('what cannot be stands there and is not sent; undo brings back what was', async () => {
    const at = edits();
    await act(() => at.current.set(depth(900)));
    expect(call).not.toHaveBeenCalled();
    expect(at.current.now.demand.depthMm).toBe(900);
    await act(async () => {
      at.current.undo();
      await Promise.resolve();
    });
    expect(at.current.now.demand.depthMm).toBe(18);
    // The next one that can be is sent on the same version.
    await act(() => at.current.set(depth(22)));
    expect(call.mock.calls.at(-1)![3]).toMatchObject({ demand: { depthMm: 22 } });
  });

  it('one that the server refuses goes back and says why', async () => {
    call.mockRejectedValueOnce(new Error('somebody else changed it'));
    const at = edits();
    await act(() => at.current.set(depth(25)));
    expect(said).toHaveBeenCalledWith('somebody else changed it');
    expect(at.current.now.demand.depthMm).toBe(18);
  });
});
