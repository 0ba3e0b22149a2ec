import { describe, expect, it } from 'vitest';
import { contextOf, SEAL_POCKET } from '../../../fixtures/crib.ts';
import { evaluate, numberOf } from '../../evaluation/evaluate.ts';
import { type MillingOperation, usualPath } from '../../operations/milling/milling-operation.ts';
import { axisOverEdge, PLAIN_UNDERCUT, runsAlong, sidesAtOnce, type Undercut } from './undercut.ts';

const T: Undercut = { ...PLAIN_UNDERCUT, form: 't-slot', throatMm: 6, floorMm: 12 };

describe('a head under a slot', () => {
  it('that just fills the bottom is in both walls and runs along once, a smaller one in one and twice', () => {
    expect([sidesAtOnce(T, 3.25, 12.5), runsAlong(T, 3.25, 12.5)]).toEqual([2, 1]);
    expect([sidesAtOnce(T, 3.25, 11), runsAlong(T, 3.25, 11)]).toEqual([1, 2]);
    expect([sidesAtOnce({ ...T, form: 'wall' }, 3, 20), runsAlong({ ...T, form: 'wall' }, 3, 20)]).toEqual([
      1, 1,
    ]);
    expect([sidesAtOnce(undefined, 3, 20), runsAlong(undefined, 3, 20)]).toEqual([1, 1]);
  });

  const slot = (throatMm: number): MillingOperation => ({
    ...SEAL_POCKET,
    alloyId: '1045',
    tooling: { cutterId: 'tslot-12.5x6-z6', holderId: 'collet-er32-70', stickOutMm: 24 },
    feature: {
      ...SEAL_POCKET.feature,
      kind: 'side',
      widthMm: 3.25,
      depthMm: 6,
      cornerRadiusMm: null,
      allowanceMm: 0,
      wallToleranceMm: 0.2,
      undercut: { ...T, throatMm },
    },
    path: usualPath('side'),
    cut: {
      ...SEAL_POCKET.cut,
      speedRpm: 1900,
      feedPerToothMm: 0.016,
      axialDepthMm: 6,
      radialEngagementMm: 3.25,
    },
  });
  const judged = (op: MillingOperation) => evaluate(op, contextOf(op));

  it('takes twice the metal and the power of one side', () => {
    const [both, one] = [judged(slot(6)), judged(slot(6.4))];
    const ratio = (key: string): number => numberOf(both, key).value / numberOf(one, key).value;
    expect(ratio('Q')).toBeCloseTo(2, 9);
    expect(ratio('P')).toBeCloseTo(2, 1);
  });

  it('is in the cut as long for both walls as for one twice, but for the way', () => {
    const minutes = (op: MillingOperation): number => judged(op).time.cutting;
    const ratio = minutes(slot(6.4)) / minutes(slot(6));
    expect(ratio).toBeGreaterThan(1.8);
    expect(ratio).toBeLessThan(2);
  });
});

describe('a ring', () => {
  it('is fed at the axis slower inside a bore, faster round a boss, as it is in a face', () => {
    const ring = { ...PLAIN_UNDERCUT, ringMm: 44 };
    expect(axisOverEdge({ ...ring, inside: true }, 20)).toBeCloseTo(24 / 44, 9);
    expect(axisOverEdge(ring, 20)).toBeCloseTo(64 / 44, 9);
    expect(axisOverEdge({ ...ring, form: 'face-ring' }, 3)).toBe(1);
    expect(axisOverEdge(PLAIN_UNDERCUT, 20)).toBe(1);
  });
});
