import { describe, expect, it } from 'vitest';
import { begin, change, redo, undo } from './history.ts';

describe('history', () => {
  it('goes back and forth step by step', () => {
    let h = begin(1);
    h = change(h, 2, null, 0);
    h = change(h, 3, null, 10);
    expect(undo(h).present).toBe(2);
    expect(undo(undo(h)).present).toBe(1);
    expect(undo(undo(undo(h))).present).toBe(1);
    expect(redo(undo(h)).present).toBe(3);
    expect(redo(h)).toBe(h);
  });

  it('takes one drag as one step, and two drags as two', () => {
    let h = begin(0);
    for (let i = 1; i <= 20; i++) h = change(h, i, 'drag-ap', i * 16);
    expect(undo(h).present).toBe(0);
    h = change(h, 30, 'drag-ap', 5000);
    expect(undo(h).present).toBe(20);
    h = change(h, 40, 'drag-ae', 5010);
    expect(undo(h).present).toBe(30);
  });

  it('takes a drag as one step however long the hand pauses, and the next press as another', () => {
    let h = begin(0);
    h = change(h, 1, 'ap', 0, 7);
    h = change(h, 2, 'ap', 4000, 7);
    expect(undo(h).present).toBe(0);
    h = change(h, 3, 'ap', 8000, 8);
    expect(undo(h).present).toBe(2);
  });

  it('forgets what was undone once something else is done', () => {
    const h = change(undo(change(begin('a'), 'b', null, 0)), 'c', null, 1);
    expect(h.future).toEqual([]);
    expect(undo(h).present).toBe('a');
  });
});
