import { describe, expect, it } from 'vitest';
import { contentOf, memoryBeside, memoryOf } from './memory.ts';

describe('memory of results', () => {
  it('makes a result once for each content, null included', () => {
    const memory = memoryOf<number | null>(3);
    let made = 0;
    const ask = (content: string, value: number | null) =>
      memory.recall(content, () => {
        made++;
        return value;
      });
    expect([ask('a', 1), ask('a', 2), ask('none', null), ask('none', 4)]).toEqual([1, 1, null, null]);
    expect(made).toBe(2);
  });

  it('forgets what was asked for longest ago, and never holds more than it may', () => {
    const memory = memoryOf<string>(2);
    const ask = (content: string, value: string) => memory.recall(content, () => value);
    ask('a', 'first');
    ask('b', 'first');
    ask('a', 'again');
    ask('c', 'first');
    expect(ask('a', 'anew')).toBe('first');
    expect(ask('b', 'anew')).toBe('anew');
  });

  it('names contents: equal for equal data, other for other data, once for each object', () => {
    const cutter = { id: 'mill', properties: { DC: 12 } };
    expect(contentOf(structuredClone(cutter))).toBe(contentOf(cutter));
    expect(contentOf({ ...cutter, properties: { DC: 10 } })).not.toBe(contentOf(cutter));
  });

  it('keeps beside an object what belongs to it', () => {
    let made = 0;
    const size = memoryBeside((list: readonly number[]) => {
      made++;
      return list.length;
    });
    const list = [1, 2, 3];
    expect([size(list), size(list), size([])]).toEqual([3, 3, 0]);
    expect(made).toBe(2);
  });
});
