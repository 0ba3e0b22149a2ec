import { describe, expect, it } from 'vitest';
import { contextOf, LOCK_POCKET, SEAL_POCKET } from '../../../fixtures/crib.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import { evaluate } from '../../evaluation/evaluate.ts';
import { millingState } from '../../operations/milling/milling-state.ts';
import { normalDeviate } from '../../numerics/normal.ts';
import { seededNormal, seededUniform } from '../../numerics/random.ts';
import { freedomOf } from './freedom.ts';
import { type FreeParameter, readFree, writeFree } from '../../operations/milling/milling-movables.ts';
import { OBJECTIVES, worthOf } from './objective.ts';
import { searchCut } from './search-cut.ts';
import { sharesAt } from './shares.ts';

const FREE: readonly FreeParameter[] = ['n', 'fz', 'ap', 'ae'];
const held = { ...LOCK_POCKET.workholding, capacityN: 12000 };
const lock: MillingOperation = { ...LOCK_POCKET, workholding: held };
const context = contextOf(lock);
const holds = (op: MillingOperation, confidence: number): boolean =>
  sharesAt(millingState(op, context), normalDeviate(confidence)).every((s) => !s.forbids);

describe('search for a cut', { timeout: 60_000 }, () => {
  it.each(OBJECTIVES)('%s: holds every limit and beats the cut it began with when that held', (objective) => {
    const found = searchCut(lock, context, { free: FREE, objective, confidence: 0.9 });
    expect(found.blockedBy).toEqual([]);
    expect(holds(found.operation, 0.9)).toBe(true);
    if (found.beforeHeld) expect(found.worth).toBeGreaterThanOrEqual(found.before);
  });

  it.each(OBJECTIVES)('%s: is never beaten by any of 2,000 random cuts that hold', (objective) => {
    const found = searchCut(lock, context, { free: FREE, objective, confidence: 0.9 });
    const uniform = seededUniform(2026);
    const ranges = FREE.map((key) => freedomOf(key, lock, context));
    let [feasible, tried] = [0, 0];
    let best = 0;
    // Half of them are drawn near the answer: anywhere at all, hardly one in a hundred holds.
    while (feasible < 2000 && tried < 9000) {
      tried++;
      const near = tried % 4 !== 0;
      const op = ranges.reduce((o, f) => {
        const value = near
          ? readFree(found.operation, f.key) * Math.exp((uniform() - 0.62) * 0.5)
          : f.low * (f.high / f.low) ** uniform();
        return writeFree(o, f.key, Math.min(f.high, Math.max(f.low, value)));
      }, lock);
      const state = millingState(op, context);
      if (sharesAt(state, normalDeviate(0.9)).some((s) => s.forbids)) continue;
      feasible++;
      best = Math.max(best, worthOf(objective, state));
    }
    expect(feasible).toBeGreaterThan(300);
    // Rounding to what a person would enter costs up to a per cent.
    expect(best).toBeLessThanOrEqual(found.worth * 1.01);
  });

  it('asks less of the cut the surer it has to be', () => {
    const at = (confidence: number): number =>
      searchCut(lock, context, { free: FREE, objective: 'metal', confidence }).worth;
    const [loose, usual, strict] = [at(0.5), at(0.9), at(0.97)];
    expect(loose).toBeGreaterThan(usual);
    expect(usual).toBeGreaterThan(strict);
  });

  it('moves only what is free and not pinned, and says what stops it', () => {
    const pinned = { ...lock, pins: ['ap'] };
    const found = searchCut(pinned, context, { free: FREE, objective: 'metal', confidence: 0.9 });
    expect(found.operation.cut.axialDepthMm).toBe(lock.cut.axialDepthMm);
    expect(found.operation.tooling.stickOutMm).toBe(lock.tooling.stickOutMm);
    expect(found.stoppedBy.length).toBeGreaterThan(0);
    expect(() =>
      searchCut({ ...lock, pins: ['n', 'fz', 'ap', 'ae'] }, context, {
        free: FREE,
        objective: 'metal',
        confidence: 0.9,
      }),
    ).toThrow(/not pinned/);
  });

  it('names the limits nothing free can clear', () => {
    const short = { ...lock, feature: { ...lock.feature, depthMm: 60 } };
    const found = searchCut(short, context, { free: FREE, objective: 'metal', confidence: 0.9, budget: 600 });
    expect(found.blockedBy.map((s) => s.id)).toContain('reach');
    expect(found.operation).toBe(short);
  });

  it('is the same every time, and worked out for its own alloy', () => {
    const wish = { free: FREE, objective: 'metal', confidence: 0.9, budget: 900 } as const;
    const inherited = { ...lock, workedOutFor: { ...lock.workedOutFor, alloyId: '316l' } };
    const [a, b] = [searchCut(inherited, context, wish), searchCut(inherited, context, wish)];
    expect(a).toEqual(b);
    expect(evaluate(a.operation, context).limits.find((l) => l.id === 'inherited-numbers')!.state).toBe(
      'clear',
    );
  });

  it('leaves the width of a slot alone', () => {
    const slot: MillingOperation = {
      ...SEAL_POCKET,
      feature: { ...SEAL_POCKET.feature, kind: 'slot', widthMm: 12, cornerRadiusMm: null },
      path: { ...SEAL_POCKET.path, strategy: 'levels', entry: { ...SEAL_POCKET.path.entry, method: 'ramp' } },
      cut: { ...SEAL_POCKET.cut, radialEngagementMm: 12, axialDepthMm: 1 },
    };
    const found = searchCut(slot, contextOf(slot), {
      free: FREE,
      objective: 'metal',
      confidence: 0.7,
      budget: 600,
    });
    expect(found.operation.cut.radialEngagementMm).toBe(12);
  });
});

describe('normal numbers', () => {
  it('deviates are those of the tables', () => {
    expect(normalDeviate(0.9)).toBeCloseTo(1.2815515655, 7);
    expect(normalDeviate(0.975)).toBeCloseTo(1.959963985, 7);
    expect(normalDeviate(0.01)).toBeCloseTo(-2.326347874, 7);
    expect(() => normalDeviate(1)).toThrow(/probability/);
  });

  it('random ones have mean 0 and deviation 1 and repeat with their seed', () => {
    const draw = seededNormal(seededUniform(5));
    const list = Array.from({ length: 20000 }, draw);
    const mean = list.reduce((a, b) => a + b, 0) / list.length;
    const spread = Math.sqrt(list.reduce((a, b) => a + (b - mean) ** 2, 0) / list.length);
    expect(Math.abs(mean)).toBeLessThan(0.03);
    expect(spread).toBeCloseTo(1, 1.5);
    expect(seededNormal(seededUniform(5))()).toBe(list[0]);
  });
});
