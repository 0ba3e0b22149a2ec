import { describe, expect, it } from 'vitest';
import { rebase } from './rebase.ts';

const seen = { cut: { feed: 0.07, depth: 2 }, pins: ['ap'], wall: { left: 0.3, tolerance: 0.05 } };

describe('an edit on a card that has not seen the edit before it', () => {
  it('keeps both edits, also inside one part', () => {
    const newest = { ...seen, wall: { ...seen.wall, left: 0 } };
    const changed = { ...seen, wall: { ...seen.wall, tolerance: 0.1 } };
    expect(rebase(seen, changed, newest).wall).toEqual({ left: 0, tolerance: 0.1 });
  });

  it('the later edit of one field wins', () => {
    const newest = { ...seen, cut: { ...seen.cut, feed: 0.08 } };
    const changed = { ...seen, cut: { ...seen.cut, feed: 0.05 } };
    expect(rebase(seen, changed, newest).cut.feed).toBe(0.05);
  });

  it('takes lists whole, and drops what was removed', () => {
    type Loose = { pins: string[]; island?: { width: number } | null };
    const old: Loose = { pins: ['ap'], island: { width: 3 } };
    const changed: Loose = { pins: ['ap', 'n'] };
    expect(rebase(old, changed, { ...old, island: { width: 4 } })).toEqual({ pins: ['ap', 'n'] });
  });

  it('is the change itself where nothing happened meanwhile', () => {
    const changed = { ...seen, pins: [] };
    expect(rebase(seen, changed, seen)).toBe(changed);
  });
});
