import { describe, expect, it } from 'vitest';
import { contextOf, LOCK_POCKET } from '../../../fixtures/crib.ts';
import { millingState } from '../../operations/milling/milling-state.ts';
import { normalDeviate } from '../../numerics/normal.ts';
import { writeFree } from '../../operations/milling/milling-movables.ts';
import { atCell, limitMap, type MapWish } from './limit-map.ts';
import { sharesAt } from './shares.ts';

const context = contextOf(LOCK_POCKET);
const wish: MapWish = { x: 'ae', y: 'ap', columns: 24, rows: 16, confidence: 0.9, objective: 'metal' };

describe('map of what is allowed', () => {
  it.each([
    ['ae', 'ap'],
    ['n', 'fz'],
    ['fz', 'ae'],
    ['n', 'ap'],
  ] as const)('of %s and %s agrees with judging each point by itself', (x, y) => {
    const map = limitMap(LOCK_POCKET, context, { ...wish, x, y })!;
    for (const [column, row] of [
      [1, 1],
      [20, 3],
      [12, 8],
      [22, 14],
    ] as const) {
      const op = writeFree(writeFree(LOCK_POCKET, x, atCell(map.x, column, 24)), y, atCell(map.y, row, 16));
      for (const s of sharesAt(millingState(op, context), normalDeviate(0.9))) {
        const i = map.limits.findIndex((l) => l.id === s.id);
        const got = map.shares[i]![row * 24 + column]!;
        // Forces are read between net points: some per cent where the teeth in the cut change with depth.
        if (s.share === null)
          expect([s.id, map.forbids[i]![row * 24 + column]]).toEqual([s.id, s.forbids ? 1 : 0]);
        else expect(Math.abs(got - s.share), s.id).toBeLessThan(0.08 * s.share + 3e-3);
      }
    }
  });

  it('names the limit that is worst at every point', () => {
    const map = limitMap(LOCK_POCKET, context, wish)!;
    map.largest.forEach((largest, at) => {
      const worst = map.worst[at]!;
      if (Number.isNaN(largest)) {
        // Nothing tells how far off a plain no is.
        expect([map.forbids[worst]![at], map.shares[worst]![at]]).toEqual([1, NaN]);
        return;
      }
      const shares = map.shares.map((list) => list[at]!).filter((v) => !Number.isNaN(v));
      expect(largest).toBe(Math.max(...shares));
      expect(map.shares[worst]![at]).toBe(largest);
    });
  });

  it('metal per minute grows with both sides of depth and width', () => {
    const map = limitMap(LOCK_POCKET, context, wish)!;
    expect(map.worth[24 * 16 - 1]!).toBeGreaterThan(map.worth[23]!);
    expect(map.worth[23]!).toBeGreaterThan(map.worth[0]!);
  });

  it('stops when told, and refuses one parameter on both sides', () => {
    let rows = 0;
    expect(limitMap(LOCK_POCKET, context, wish, () => ++rows < 3)).toBeNull();
    expect(rows).toBe(3);
    expect(() => limitMap(LOCK_POCKET, context, { ...wish, y: 'ae' })).toThrow(/another parameter/);
  });
});
