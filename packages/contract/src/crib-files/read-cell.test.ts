import { describe, expect, it } from 'vitest';
import { ENTRY_FIELDS, type EntryField } from '../crib-fields/entry-fields.ts';
import { numberIn, optionReader, readNumber, readSome, readYesNo } from './read-cell.ts';

const fieldOf = (path: string, kind: keyof typeof ENTRY_FIELDS = 'cutters'): EntryField =>
  ENTRY_FIELDS[kind].find((f) => f.path === path)!;

describe('a number as people write it', () => {
  it.each([
    ['12', 12],
    ['12.5', 12.5],
    ['12,5', 12.5],
    ['.5', 0.5],
    ['-7', -7],
    ['1e-3', 0.001],
    ['1/2', 0.5],
    ['1 1/2', 1.5],
    ['1-1/4', 1.25],
    ['12,000', 12],
    ['1,234.5', 1234.5],
    ['10 mm', 10],
    ['0.5"', 0.5],
    ['30°', 30],
    ['8000 rpm', 8000],
  ])('%j', (cell, value) => expect(numberIn(cell)).toBe(value));

  it.each(['', 'ten', '12 ft', '1/', '1..2', '--3', '0x10', 'Infinity', 'NaN', '1 2'])('%j is none', (cell) =>
    expect(numberIn(cell)).toBeNull(),
  );
});

describe('a number of a field', () => {
  const diameter = fieldOf('properties.DC');
  const teeth = fieldOf('properties.ZEFP');

  it('is kept in mm, from the system of its heading or the unit in its cell', () => {
    expect(readNumber('12', diameter, 'metric')).toEqual({ value: 12 });
    expect(readNumber('0.5', diameter, 'inch')).toEqual({ value: 12.7 });
    expect(readNumber('1/2"', diameter, 'metric')).toEqual({ value: 12.7 });
    expect(readNumber('0.375 in', diameter, 'metric')).toEqual({ value: 9.525 });
  });
  it('is whole where the field counts', () => {
    expect(readNumber('4', teeth, 'metric')).toEqual({ value: 4 });
    expect(readNumber('4.5', teeth, 'metric')).toEqual({ allowed: 'a whole number' });
    expect(readNumber('four', teeth, 'metric')).toEqual({ allowed: 'a whole number' });
    expect(readNumber('wide', diameter, 'metric')).toEqual({ allowed: 'a number' });
  });
});

describe('one of a list', () => {
  const type = optionReader(fieldOf('type'));

  it.each([
    ['end_mill_flat', 'end_mill_flat'],
    ['End mill', 'end_mill_flat'],
    ['BALL NOSE', 'end_mill_ball'],
    ['Lollipop', 'lollipop_mill'],
    ['spot-drill', 'spot_drill'],
    ['form  tap', 'tap_forming'],
  ])('%j is %s', (cell, id) => expect(type(cell)).toEqual({ value: id }));

  it('is told with what is allowed when it is none', () => {
    const answer = type('broom');
    expect('allowed' in answer && answer.allowed).toMatch(/^one of .*mill.*;/);
  });

  it('goes by the names of the shop’s own coatings', () => {
    const coating = optionReader(fieldOf('extended.coating'), {
      altin: 'AlTiN',
      shop_blue: 'Blue of the shop',
    });
    expect(coating('blue of the shop')).toEqual({ value: 'shop_blue' });
    expect(coating('AlTiN')).toEqual({ value: 'altin' });
    expect('allowed' in coating('green')).toBe(true);
  });
});

describe('several of a list', () => {
  const groups = fieldOf('suits_iso_groups');

  it.each(['PMK', 'P M K', 'p, m; k', 'P/M/K'])('letters in %j', (cell) =>
    expect(readSome(cell, groups)).toEqual({ value: ['P', 'M', 'K'] }),
  );
  it('tells a letter that is no group, and a cell with none', () => {
    expect(readSome('PZ', groups)).toEqual({ allowed: expect.stringMatching(/^some of P M K/) });
    expect('allowed' in readSome('12', groups)).toBe(true);
  });
  it('parts words by semicolons, and names one twice but once', () => {
    const words: EntryField = { ...groups, options: ['through tool', 'flood'] };
    expect(readSome('flood; through tool, flood', words)).toEqual({ value: ['flood', 'through tool'] });
  });
});

it('reads yes and no in the words of spreadsheets, and refuses what is neither', () => {
  expect(['Yes', 'x', 'TRUE', '1', 'ja'].map(readYesNo)).toEqual(Array(5).fill({ value: true }));
  expect(['no', '-', 'FALSE', '0', 'nein'].map(readYesNo)).toEqual(Array(5).fill({ value: false }));
  expect(readYesNo('perhaps')).toEqual({ allowed: 'yes or no' });
});
