import { describe, expect, it } from 'vitest';
import { stockBlock } from '@burl/core';
import { toolNumber } from './program-operations.ts';
import { parseStock } from './programs.ts';

const BLOCK = stockBlock([0, 0, -20], [80, 50, 0], [{ x: 40, y: 25, diameterMm: 13, floor: null }]);

describe('material of a program as JSON', () => {
  it('is taken as it is written', () => {
    expect(parseStock(JSON.stringify(BLOCK))).toEqual(BLOCK);
  });

  it.each([
    ['no', 'stock is "no"'],
    [JSON.stringify({ ...BLOCK, high: [80, 50] }), 'high'],
    [JSON.stringify({ ...BLOCK, high: [80, 50, -30] }), 'over its low'],
    [
      JSON.stringify({ ...BLOCK, holes: [{ x: 0, y: 0, diameterMm: -1, floor: null }] }),
      'holes[0].diameterMm',
    ],
    [JSON.stringify({ ...BLOCK, barMm: 1e9 }), 'barMm'],
    [JSON.stringify({ ...BLOCK, colour: 'red' }), 'colour'],
  ])('%s is refused by field', (text, told) => {
    expect(() => parseStock(text)).toThrow(told);
  });
});

describe('number of a tool', () => {
  it.each([
    ['4', 4],
    ['T04', 4],
    [' t12 ', 12],
    ['', null],
    ['drawer', null],
    ['T4B', null],
  ])('%s is %s', (text, number) => expect(toolNumber(text)).toBe(number));
});
