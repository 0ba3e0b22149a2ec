import { describe, expect, it } from 'vitest';
import { SEAL, tableOfPlate } from '../../../fixtures/program-operations.ts';
import { blockAtMinute, blockOfLine } from './block-table.ts';

const TEXT = 'T4 M6\nS1060 M3\nG0 X95 Y-5 Z20\nZ-12\nG1 X-15 F318\n\nG3 X-5 Y5 I10 J0\nG4 P600\nG0 Z20';

describe('blocks in columns', () => {
  const table = tableOfPlate(TEXT);

  it('hold the path, arcs with their centre, and the numbers of each block', () => {
    expect([...table.line]).toEqual([3, 4, 5, 7, 8, 9]);
    expect([...table.kind]).toEqual([0, 0, 1, 1, 2, 0]);
    expect([table.x[3], table.y[3], table.centreX[3], table.centreY[3]]).toEqual([-5, 5, -5, -5]);
    expect(table.sweep[3]).toBeCloseTo(-1.5 * Math.PI + 3 * Math.PI, 4);
    expect(table.values.arc[2]).toBeCloseTo(33.56, 1);
    expect(table.values.force[2]! / SEAL.evaluation.numbers.find((n) => n.key === 'F')!.value).toBeCloseTo(
      1,
      2,
    );
    expect(table.radius[0]).toBe(6);
  });

  it('grow with the program, and count what has no room', () => {
    const small = tableOfPlate(TEXT, 4);
    expect([small.count, small.left]).toEqual([4, 2]);
    expect(small.line).toEqual(table.line.slice(0, 4));
  });

  it('are found by line and by time', () => {
    expect(blockOfLine(table, 5)).toBe(2);
    expect(blockOfLine(table, 6)).toBe(3);
    expect(blockOfLine(table, 99)).toBe(5);
    expect(blockAtMinute(table, 0)).toBe(0);
    expect(blockAtMinute(table, table.minutes[2]! - 1e-6)).toBe(2);
    expect(blockAtMinute(table, 1e9)).toBe(5);
  });
});
