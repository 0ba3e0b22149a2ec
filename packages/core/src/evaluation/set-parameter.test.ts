import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { contextOf, DOWEL_HOLE, SEAL_POCKET } from '../../fixtures/crib.ts';
import type { Operation } from '../operations/operation.ts';
import { evaluate, numberOf } from './evaluate.ts';
import { KINDS } from './registry.ts';
import { setParameter } from './set-parameter.ts';

const context = contextOf(SEAL_POCKET);
const read = (op: Operation, key: string): number => numberOf(evaluate(op, contextOf(op)), key).value;

describe('any parameter drives the others', () => {
  it.each(KINDS.milling.parameters)('%s becomes what was asked', (key) => {
    fc.assert(
      fc.property(fc.double({ min: 0.6, max: 1.6, noNaN: true }), (factor) => {
        const wanted = read(SEAL_POCKET, key) * factor;
        expect(read(setParameter(SEAL_POCKET, context, key, wanted), key)).toBeCloseTo(wanted, 6);
      }),
      { numRuns: 20 },
    );
  });

  it('keeps the chip when speed moves, so that table feed moves with it', () => {
    const slower = setParameter(SEAL_POCKET, context, 'n', 530);
    expect(read(slower, 'hex')).toBeCloseTo(read(SEAL_POCKET, 'hex'), 12);
    expect(read(slower, 'vf')).toBeCloseTo(read(SEAL_POCKET, 'vf') / 2, 9);
  });

  it('holds what is pinned', () => {
    const chip = { ...SEAL_POCKET, pins: ['hex'] };
    const wider = setParameter(chip, context, 'ae', 3);
    expect(read(wider, 'hex')).toBeCloseTo(read(SEAL_POCKET, 'hex'), 9);
    expect(read(wider, 'fz')).toBeLessThan(read(SEAL_POCKET, 'fz'));
    const feed = { ...SEAL_POCKET, pins: ['vf'] };
    const slower = setParameter(feed, context, 'n', 530);
    expect(read(slower, 'vf')).toBeCloseTo(read(SEAL_POCKET, 'vf'), 9);
  });

  it('refuses what the pins leave no room for', () => {
    const stuck = { ...SEAL_POCKET, pins: ['vf', 'fz'] };
    expect(() => setParameter(stuck, context, 'n', 900)).toThrow(/pinned; release one/);
    expect(() => setParameter(SEAL_POCKET, context, 'n', 0)).toThrow(/n is 0; allowed: a number above 0/);
    expect(() => setParameter(DOWEL_HOLE, contextOf(DOWEL_HOLE), 'ae', 1)).toThrow(/allowed: n, vc, fn, vf/);
  });

  it('works for holes alike', () => {
    const at = contextOf(DOWEL_HOLE);
    expect(read(setParameter(DOWEL_HOLE, at, 'vc', 22), 'vc')).toBeCloseTo(22, 9);
    const feed = setParameter({ ...DOWEL_HOLE, pins: ['fn'] }, at, 'vf', 100);
    expect(read(feed, 'fn')).toBeCloseTo(DOWEL_HOLE.cut.feedPerRevMm, 12);
    expect(read(feed, 'vf')).toBeCloseTo(100, 9);
  });
});
