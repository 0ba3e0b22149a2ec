import { describe, expect, it } from 'vitest';
import { formatDay } from './date.ts';

describe('days', () => {
  it('are read the same wherever the page stands', () => {
    expect(formatDay('2026-11-27')).toBe('27 Nov 2026');
    expect(formatDay('2026-03-01T23:30:00.000Z')).toBe('1 Mar 2026');
    expect([formatDay(null), formatDay(undefined), formatDay('')]).toEqual(['', '', '']);
  });
});
