import { describe, expect, it } from 'vitest';
import { contextOf, LOCK_POCKET, SEAL_POCKET } from '../../../fixtures/crib.ts';
import type { MillingOperation } from '../../operations/milling/milling-operation.ts';
import { evaluate, limitOf } from '../../evaluation/evaluate.ts';
import { type Odds, monteCarlo } from './monte-carlo.ts';

const lock: MillingOperation = {
  ...LOCK_POCKET,
  workholding: { ...LOCK_POCKET.workholding, capacityN: 12000 },
  cut: { ...LOCK_POCKET.cut, feedPerToothMm: 0.1 },
};
const context = contextOf(lock);
const odds = monteCarlo(lock, context)!;
const of = (o: Odds, id: string) => o.limits.find((l) => l.id === id)!;

describe('Monte Carlo of a cut', { timeout: 30_000 }, () => {
  it.each(['spindle-power', 'bending-stress', 'holder-grip', 'cutting-speed', 'edge-life', 'workholding'])(
    '%s: agrees with the first-order band where that is valid',
    (id) => {
      const band = limitOf(evaluate(lock, context), id).share!;
      const { share } = of(odds, id);
      expect(share!.p50 / band.value).toBeCloseTo(1, 0.9);
      // The band's width in logarithms, within the noise of 2,000 draws and the runout's curvature.
      const drawn = Math.log(share!.p90 / share!.p10);
      const propagated = Math.log(band.high / band.low);
      expect(drawn / propagated).toBeGreaterThan(0.8);
      expect(drawn / propagated).toBeLessThan(1.2);
    },
  );

  it('counts the chance of each limit, and of all at once, which is never larger', () => {
    for (const l of odds.limits) {
      expect(l.holds).toBeGreaterThanOrEqual(odds.allHold);
      if (l.share) expect(l.classes.reduce((a, b) => a + b, 0)).toBe(odds.draws);
    }
    expect(of(odds, 'spindle-power').holds).toBe(1);
    expect(odds.allHold).toBeLessThan(1);
  });

  it('says which input to measure next, and measuring it does narrow the limit it names', () => {
    const [next] = odds.measureNext;
    expect(next).toBeDefined();
    expect(next!.source.narrowBy.length).toBeGreaterThan(5);
    const field = { kc: 'kc11NMm2', 'life-speed': 'lifeSpeed30MMin', runout: 'runoutUm' } as const;
    const key = field[next!.source.id as keyof typeof field];
    expect(key).toBeDefined();
    const value = { kc11NMm2: 1460, lifeSpeed30MMin: 50, runoutUm: 4 }[key];
    const after = monteCarlo({ ...lock, measured: { ...lock.measured, [key]: value } }, context)!;
    const id = odds.limits.find((l) => l.name === next!.limits[0])!.id;
    const width = (o: Odds): number => Math.log(of(o, id).share!.p90 / of(o, id).share!.p10);
    expect(width(after)).toBeLessThan(0.95 * width(odds));
  });

  it('lean rests on the joint and the spindle more than on the tool', () => {
    const parts = of(monteCarlo(SEAL_POCKET, contextOf(SEAL_POCKET), { draws: 600 })!, 'wall-error').because;
    const part = (id: string): number => parts.find((p) => p.sourceId === id)?.part ?? 0;
    expect(part('spindle-stiffness') + part('clamp-stiffness')).toBeGreaterThan(part('beam-model'));
    expect(parts.reduce((sum, p) => sum + p.part, 0)).toBeLessThan(1.15);
  });

  it('repeats with its seed, stops when told, and refuses the impossible', () => {
    const wish = { draws: 200, seed: 9 };
    expect(monteCarlo(lock, context, wish)).toEqual(monteCarlo(lock, context, wish));
    expect(monteCarlo(lock, context, wish, () => false)).toBeNull();
    expect(() => monteCarlo({ ...lock, cut: { ...lock.cut, speedRpm: -1 } }, context)).toThrow(
      /cut.speedRpm/,
    );
  });
});
