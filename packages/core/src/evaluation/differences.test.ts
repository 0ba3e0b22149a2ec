import { describe, expect, it } from 'vitest';
import { differencesOf } from './differences.ts';

describe('differences', () => {
  it('names the path and both values, leaf by leaf', () => {
    const before = { cut: { ap: 12, ae: 1 }, pins: ['n'], notes: '' };
    const after = { cut: { ap: 10, ae: 1 }, pins: ['n', 'vc'], notes: '' };
    expect(differencesOf(before, after)).toEqual([
      { path: 'cut.ap', before: 12, after: 10 },
      { path: 'pins', before: ['n'], after: ['n', 'vc'] },
    ]);
  });

  it('finds none between equals and shows what appeared', () => {
    expect(differencesOf({ a: [1, { b: 2 }] }, { a: [1, { b: 2 }] })).toEqual([]);
    expect(differencesOf({}, { x: null })).toEqual([{ path: 'x', before: undefined, after: null }]);
  });
});
