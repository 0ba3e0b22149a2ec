import { describe, expect, it } from 'vitest';
import { contextOf, DOWEL_HOLE, SEAL_POCKET } from '../../fixtures/crib.ts';
import type { DrillingOperation } from '../operations/drilling/drilling-operation.ts';
import type { MillingOperation } from '../operations/milling/milling-operation.ts';
import { evaluate, limitOf, numberOf } from './evaluate.ts';
import { startingStickOut, withStartingCut } from './starting-cut.ts';

const start = (op: MillingOperation): MillingOperation =>
  withStartingCut(op, contextOf(op)) as MillingOperation;

describe('first numbers of a milling cut', () => {
  it('aim at the target chip and leave the edge per hour', () => {
    const op = start(SEAL_POCKET);
    const e = evaluate(op, contextOf(op));
    expect(numberOf(e, 'hex').value).toBeCloseTo(0.05, 2);
    expect(numberOf(e, 'T').value / 60).toBeCloseTo(1, 1);
  });

  it('divide the depth evenly, so that no sliver is left for the last level', () => {
    for (const depthMm of [5, 18, 24, 31]) {
      const { cut } = start({ ...SEAL_POCKET, feature: { ...SEAL_POCKET.feature, depthMm } });
      const levels = depthMm / cut.axialDepthMm;
      expect(Math.abs(levels - Math.round(levels))).toBeLessThan(0.01);
    }
  });

  it('go narrow in hard metal, wide and shallow in a slot, over most of the cutter on a face', () => {
    const kind = (k: MillingOperation['feature']['kind']): MillingOperation['cut'] =>
      start({ ...SEAL_POCKET, feature: { ...SEAL_POCKET.feature, kind: k } }).cut;
    expect(kind('pocket').radialEngagementMm).toBeCloseTo(0.96, 9);
    expect(kind('slot').radialEngagementMm).toBe(12);
    expect(kind('slot').axialDepthMm).toBeLessThan(5);
    expect(kind('face').radialEngagementMm).toBeCloseTo(8.4, 9);
  });

  it('run slower in a harder lot, and at an own trial’s speed when there is one', () => {
    const at = (measured: Partial<MillingOperation['measured']>): number =>
      start({ ...SEAL_POCKET, measured: { ...SEAL_POCKET.measured, ...measured } }).cut.speedRpm;
    expect(at({ hardness: 45 })).toBeLessThan(at({ hardness: 39 }));
    expect(at({ lifeSpeed30MMin: 64 }) / at({ lifeSpeed30MMin: 32 })).toBeCloseTo(2, 1);
  });

  it('never ask for more speed than machine, cutter and holder have', () => {
    const aluminium = {
      ...SEAL_POCKET,
      alloyId: '6061-t6',
      tooling: { ...SEAL_POCKET.tooling, cutterId: 'em-flat-10-z3-alu' },
    };
    const op = start(aluminium);
    expect(op.cut.speedRpm).toBe(10000);
    expect(limitOf(evaluate(op, contextOf(op)), 'spindle-speed').state).toBe('clear');
  });

  it('write down what they were worked out for', () => {
    const op = start({
      ...SEAL_POCKET,
      alloyId: '316l',
      measured: { ...SEAL_POCKET.measured, hardness: 170 },
    });
    expect(op.workedOutFor).toEqual({
      alloyId: '316l',
      cutterId: SEAL_POCKET.tooling.cutterId,
      hardness: 170,
    });
  });
});

describe('first numbers of a hole', () => {
  it('stay in the lower half of the window and plan the pecks', () => {
    const op = withStartingCut(
      { ...DOWEL_HOLE, cut: { ...DOWEL_HOLE.cut, peck: 'none' } },
      contextOf(DOWEL_HOLE),
    ) as DrillingOperation;
    const e = evaluate(op, contextOf(op));
    expect(op.cut.peck).toBe('plan');
    expect(numberOf(e, 'vc').value).toBeGreaterThan(14);
    expect(numberOf(e, 'vc').value).toBeLessThan(20);
    expect(limitOf(e, 'drill-feed-high').share!.value).toBeLessThan(0.7);
  });

  it('use the window of high-speed steel for a drill of it', () => {
    const hss: DrillingOperation = {
      ...DOWEL_HOLE,
      coolant: 'flood',
      tooling: { cutterId: 'drill-6-hss', holderId: 'collet-er32-70', stickOutMm: 50 },
      hole: { ...DOWEL_HOLE.hole, diameterMm: 6, depthMm: 18 },
    };
    const vc = numberOf(evaluate(withStartingCut(hss, contextOf(hss)), contextOf(hss)), 'vc').value;
    expect(vc).toBeLessThan(8);
  });
});

describe('first stick-out', () => {
  const { cutter } = contextOf(SEAL_POCKET);
  it('is the shortest the record recommends that reaches the floor, and leaves shank to grip', () => {
    expect(startingStickOut({ cutter }, 10)).toBe(38);
    expect(startingStickOut({ cutter }, 45)).toBe(47);
    expect(startingStickOut({ cutter }, 500)).toBe(73);
  });
});
