import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useLatest } from './use-latest.ts';
import { useThrottled } from './use-throttled.ts';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

describe('a value that follows a few times a second', () => {
  it('skips what comes in between, and always arrives at the last', () => {
    const seen: number[] = [];
    const { rerender } = renderHook(({ v }) => seen.push(useThrottled(v, 100)), { initialProps: { v: 0 } });
    for (let v = 1; v <= 30; v++) {
      rerender({ v });
      act(() => void vi.advanceTimersByTime(10));
    }
    act(() => void vi.advanceTimersByTime(200));
    const distinct = [...new Set(seen)];
    expect(distinct.length).toBeLessThan(8);
    expect(distinct.length).toBeGreaterThan(2);
    expect(seen.at(-1)).toBe(30);
  });
});

describe('a function that stays the same', () => {
  it('calls the newest', () => {
    const { result, rerender } = renderHook(({ n }) => useLatest((x: number) => x * n), {
      initialProps: { n: 2 },
    });
    const first = result.current;
    rerender({ n: 5 });
    expect(result.current).toBe(first);
    expect(first(3)).toBe(15);
  });
});
