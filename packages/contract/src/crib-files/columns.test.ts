import { describe, expect, it } from 'vitest';
import { CRIB_KINDS } from '../crib-kinds.ts';
import { cellOf, columnsOf, headingReader } from './columns.ts';

const read = headingReader('cutters');
const meant = (heading: string): string | null => {
  const found = read(heading);
  return found && `${found.column.field.path}${found.column.part ?? ''} ${found.system}`;
};

describe('a heading of a file of cutters', () => {
  it.each([
    ['DC', 'properties.DC metric'],
    ['dc [mm]', 'properties.DC metric'],
    ['Diameter (in)', 'properties.DC inch'],
    ['Dia, inch', 'properties.DC inch'],
    ['tool_diameter', 'properties.DC metric'],
    ['Flutes', 'properties.NOF metric'],
    ['Teeth', 'properties.ZEFP metric'],
    ['No such thing', null],
    ['', null],
    ['Overall length [mm]', 'properties.OAL metric'],
    ['Description', 'name metric'],
    ['ISO groups', 'suits_iso_groups metric'],
  ])('%j', (heading, path) => expect(meant(heading)).toBe(path));
});

describe.each(CRIB_KINDS)('columns of %s', (kind) => {
  const reader = headingReader(kind);

  it('are read again under the heading they are written with', () => {
    for (const column of columnsOf(kind)) {
      const found = reader(column.heading);
      expect([column.heading, found?.column.field.path, found?.column.part, found?.system]).toEqual([
        column.heading,
        column.field.path,
        column.part,
        'metric',
      ]);
    }
  });

  it('are read in inches where their heading says so', () => {
    const inches = columnsOf(kind, 'inch').filter((c) => c.heading.endsWith('[in]'));
    for (const column of inches) {
      const found = reader(column.heading);
      expect([column.heading, found?.column.field.path, found?.system]).toEqual([
        column.heading,
        column.field.path,
        'inch',
      ]);
    }
    expect(inches.length).toBeGreaterThan(0);
  });

  it('have no two headings alike', () => {
    const headings = columnsOf(kind).map((c) => c.heading.toLowerCase());
    expect(new Set(headings).size).toBe(headings.length);
  });
});

it('writes numbers exactly, without thousands', () => {
  expect(cellOf(12000, undefined, 'metric')).toBe('12000');
  expect(cellOf(12.7, 'mm', 'inch')).toBe('0.5');
  expect(cellOf(0.1 + 0.2, 'mm', 'metric')).toBe('0.3');
});
