import { describe, expect, it } from 'vitest';
import { tableOfPlate } from '../../../fixtures/program-operations.ts';
import { measuredAgainst, withSamples } from './measured.ts';
import { machineProgramOf, sampleAt, samplesOf } from './simulated-machine.ts';

const table = tableOfPlate(
  'T4 M6\nS1060 M3\nG0 X95 Y-5 Z20\nZ-12\nG1 X-15 F318\nG0 Z20\nX95 Y-4\nZ-12\nG1 X-15',
);
const program = machineProgramOf(table);
const all = Array.from({ length: samplesOf(program) }, (_, i) => sampleAt(program, i, 3));

describe('a simulated machine', () => {
  it('runs line after line in its time, rests, and begins again', () => {
    const lines = all.map((s) => s.line).filter((l) => l > 0);
    expect(lines).toEqual([...lines].sort((a, b) => a - b));
    expect(all.at(-1)!.line).toBe(0);
    expect({ ...sampleAt(program, samplesOf(program) + 30, 3), loadPercent: 0, sequence: 0 }).toEqual({
      ...all[30]!,
      loadPercent: 0,
      sequence: 0,
    });
    expect(sampleAt(program, 30, 3)).toEqual(all[30]);
  });

  it('begins with the feed turned down, and is then measured against what was predicted', () => {
    expect(all[0]!.feedOverridePercent).toBe(60);
    const measured = withSamples(new Map(), all);
    const against = measuredAgainst(table, measured)!;
    // Its own offset lies between 0.9 and 1.2; the largest of a line has the scatter and the idle load on top.
    expect(against.ratio).toBeGreaterThan(0.9);
    expect(against.ratio).toBeLessThan(1.9);
    expect(against.lines).toBeGreaterThan(0);
    expect(measuredAgainst(table, new Map())).toBeNull();
  });

  it('another machine lies elsewhere', () => {
    expect(sampleAt(program, 60, 0x5eed123).loadPercent).not.toBeCloseTo(all[60]!.loadPercent, 3);
  });
});
