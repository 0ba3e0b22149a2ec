import { ENTRY_FIELDS, fieldAt, valueAt } from '@burl/contract';
import { cleanup, render } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { CRIB } from '../../../../test/crib.ts';
import { Value, valueText } from './value.tsx';

afterEach(cleanup);

const metric = { system: 'metric', materials: CRIB.materials } as const;
const cutter = (path: string, value: unknown, telling: Parameters<typeof valueText>[3] = metric): string =>
  valueText(value, path, fieldAt('cutters', path), telling);

describe('a value of the record as text', () => {
  it('is in the units of the page', () => {
    expect(cutter('properties.DC', 12.7)).toBe('12.7');
    expect(cutter('properties.DC', 12.7, { ...metric, system: 'inch' })).toBe('0.5');
    expect(cutter('extended.fz_window_mm', [0.03, 0.1])).toBe('0.03 to 0.1');
  });

  it('is a name where the record has an id', () => {
    expect(cutter('extended.coating', 'none-polished')).toBe('Uncoated, polished flutes');
    expect(cutter('extended.substrate', 'hss-m2')).toBe('High-speed steel M2 class');
    expect(cutter('type', 'end_mill_ball')).toBe('Ball-nose end mill');
    expect(cutter('extended.coating', 'of-no-shop')).toBe('of-no-shop');
  });

  it('says a span, a list, yes and no, and nothing', () => {
    expect(valueText({ low: 1, typical: 2, high: 4 }, 'x', undefined, metric)).toBe('2 (1 to 4)');
    expect(valueText(['P', 'M'], 'x', undefined, metric)).toBe('P, M');
    expect([true, false, null, undefined, ''].map((v) => valueText(v, 'x', undefined, metric))).toEqual([
      'yes',
      'no',
      'none',
      'none',
      'none',
    ]);
  });

  it('says points of a curve in words', () => {
    const points = [
      { rpm: 100, kw: 2 },
      { rpm: 200, kw: 4 },
    ];
    expect(valueText(points, 'power_torque.s1', undefined, metric)).toBe('rpm 100, kw 2; rpm 200, kw 4');
  });

  it('has neither brackets nor keys of the record for anything shipped', () => {
    for (const kind of ['alloys', 'machines', 'cutters', 'holders'] as const)
      for (const { document, id } of CRIB[kind])
        for (const field of ENTRY_FIELDS[kind]) {
          const text = valueText(valueAt(document, field.path), field.path, field, metric);
          expect([id, field.path, text]).toEqual([
            id,
            field.path,
            expect.not.stringMatching(/[{}[\]]|undefined|NaN/),
          ]);
        }
  });
});

describe('whatever else a record carries', () => {
  const text = (value: unknown): string => render(<Value value={value} />).container.textContent!;

  it('is told in words', () => {
    expect(text(null)).toBe('none');
    expect(text(true)).toBe('yes');
    expect(text('end_mill_flat')).toBe('end mill flat');
    expect(text('A sentence_like this stays')).toBe('A sentence_like this stays');
    expect(text(['a', 'b'])).toBe('a, b');
    expect(text([{ at_rpm: 100 }])).toBe('at rpm 100');
    expect(text({ low: 1, typical: 2, high: 3 })).toBe('2 (1 to 3)');
    expect(text({ flood_bar: 5, inner: { deep_value: 2 } })).toBe('flood bar5inner' + 'deep value2');
  });
});
