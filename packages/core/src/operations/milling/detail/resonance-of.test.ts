import { describe, expect, it } from 'vitest';
import { contextOf, SEAL_POCKET } from '../../../../fixtures/crib.ts';
import type { OperationContext } from '../../context.ts';
import { correction, resonanceOf } from './resonance-of.ts';

const QUESTION = { fromRpm: 1500, toRpm: 4500, mostMm: 12, columns: 9, rows: 6, worlds: 80 };
const OP = { ...SEAL_POCKET, flankWearMm: 0, cut: { ...SEAL_POCKET.cut, speedRpm: 2400 } };
const context: OperationContext = {
  ...contextOf(OP),
  resonance: {
    serial: null,
    tips: [
      {
        machineSerial: 'SN-1',
        machineId: OP.machineId,
        holderId: OP.tooling.holderId,
        cutterId: OP.tooling.cutterId,
        stickOutMm: OP.tooling.stickOutMm,
        source: 'measured',
        measuredOn: null,
        structure: {
          x: [{ hz: 900, damping: 0.03, stiffness: 1.2e7 }],
          y: [{ hz: 850, damping: 0.03, stiffness: 1.1e7 }],
        },
      },
    ],
    observations: [
      {
        machineSerial: 'SN-1',
        machineId: OP.machineId,
        holderId: OP.tooling.holderId,
        cutterId: OP.tooling.cutterId,
        stickOutMm: OP.tooling.stickOutMm,
        alloyId: OP.alloyId,
        heard: 'chatter',
        rpm: 2500,
        overridePercent: 80,
        axialDepthMm: 3,
        radialEngagementMm: 1,
        feedPerToothMm: 0.06,
        direction: 'climb',
        hz: null,
      },
    ],
  },
};

describe('picture of a combination', () => {
  it('has depths in order, tests worth making, and what was heard as a forbidden band at the speed it really ran', () => {
    const picture = resonanceOf(OP, context, QUESTION)!;
    for (const l of picture.chance.likely) {
      expect(l.low).toBeLessThanOrEqual(l.middle);
      expect(l.middle).toBeLessThanOrEqual(l.high);
    }
    expect(picture.tests.length).toBeGreaterThan(0);
    expect(picture.forbidden[0]).toMatchObject({ aboveMm: 3 });
    expect((picture.forbidden[0]!.fromRpm + picture.forbidden[0]!.toRpm) / 2).toBeCloseTo(2000, 6);
    for (let c = 0; c < 9; c++) {
      const column = picture.chance.depthMm.map((_, r) => picture.chance.chance[r * 9 + c]!);
      expect([...column].sort((a, b) => b - a)).toEqual(column);
    }
  });

  it('centres its band on the periodic solution where that was worked out', () => {
    const approved = resonanceOf(OP, context, { ...QUESTION, periodic: 7 })!;
    const off = approved.periodic.flatMap((b) => {
      const at = approved.chance.rpm.findIndex((n) => Math.abs(n - b.rpm) < 1);
      return at < 0 || b.depthMm === null ? [] : [Math.log(approved.chance.likely[at]!.middle / b.depthMm)];
    });
    expect(approved.periodic).toHaveLength(7);
    expect(off.length).toBeGreaterThan(1);
    expect(Math.abs(off.reduce((sum, o) => sum + o, 0) / off.length)).toBeLessThan(0.15);
  });

  it('stops when told to, and refuses an empty range', () => {
    expect(resonanceOf(OP, context, QUESTION, () => false)).toBeNull();
    expect(() => resonanceOf(OP, context, { ...QUESTION, toRpm: 900 })).toThrow(/rising speeds/);
  });
});

describe('the interrupted cut against the averaged one', () => {
  const at = (log: (rpm: number) => number, speeds: readonly number[]) =>
    speeds.map((rpm) => ({ rpm, log: log(rpm) }));

  it('is a mean over the speeds nearby, however thickly the points stand', () => {
    const log = (rpm: number): number => (rpm < 2050 ? -0.7 : 0);
    const even = Array.from({ length: 41 }, (_, i) => 1000 + 75 * i);
    // Twenty more points in a narrow lobe tell nothing more of the speeds around it.
    const thick = [...even, ...Array.from({ length: 20 }, (_, i) => 1951 + 4 * i)].sort((a, b) => a - b);
    expect(correction(at(log, thick), 2050)).toBeCloseTo(correction(at(log, even), 2050), 1);
    expect(correction(at(log, even), 1200)).toBeLessThan(0.55);
    expect(correction(at(log, even), 3900)).toBeGreaterThan(0.95);
    expect(correction([], 2000)).toBe(1);
  });
});
