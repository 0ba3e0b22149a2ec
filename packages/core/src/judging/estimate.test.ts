import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  bandOf,
  exact,
  over,
  plus,
  power,
  scale,
  sigmaOf,
  sigmaOfSpan,
  type Source,
  times,
  uncertain,
  Z90,
} from './estimate.ts';

const source = (id: string, sigma: number): Source => ({
  id,
  label: id,
  kind: 'library',
  sigma,
  narrowBy: '',
});
const kc = source('kc', 0.1);
const wear = source('wear', 0.2);

describe('estimates', () => {
  it('span and band are each other’s inverse', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 100, noNaN: true }),
        fc.double({ min: 1.01, max: 5, noNaN: true }),
        (middle, f) => {
          const band = bandOf(uncertain(middle, source('s', sigmaOfSpan(middle / f, middle * f))));
          expect(band.low).toBeCloseTo(middle / f, 9);
          expect(band.high).toBeCloseTo(middle * f, 9);
        },
      ),
    );
  });

  it('counts the same source twice as one error, two sources as two', () => {
    expect(sigmaOf(times(uncertain(2, kc), uncertain(3, kc)))).toBeCloseTo(0.2, 12);
    expect(sigmaOf(times(uncertain(2, kc), uncertain(3, wear)))).toBeCloseTo(Math.hypot(0.1, 0.2), 12);
    expect(sigmaOf(over(uncertain(2, kc), uncertain(3, kc)))).toBeCloseTo(0, 12);
  });

  it('raises sensitivity with the exponent and not with a factor', () => {
    expect(sigmaOf(power(uncertain(2, kc), -4))).toBeCloseTo(0.4, 12);
    expect(sigmaOf(scale(uncertain(2, kc), 7))).toBeCloseTo(0.1, 12);
  });

  it('weights a sum by the shares of its parts', () => {
    const sum = plus(uncertain(30, kc), uncertain(10, wear), exact(60));
    expect(sum.value).toBe(100);
    expect(sigmaOf(sum)).toBeCloseTo(Math.hypot(0.3 * 0.1, 0.1 * 0.2), 12);
  });

  it('agrees with drawing samples', () => {
    let seed = 1;
    const uniform = (): number => (seed = (seed * 16807) % 2147483647) / 2147483647;
    const normal = (): number => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
    const drawn = Array.from({ length: 20000 }, () => {
      const [a, b] = [normal(), normal()];
      return (5 * Math.exp(0.1 * a)) ** 2 * Math.exp(0.2 * b);
    }).sort((x, y) => x - y);
    const band = bandOf(times(power(uncertain(5, kc), 2), uncertain(1, wear)));
    expect(drawn[2000]! / band.low).toBeCloseTo(1, 1);
    expect(drawn[18000]! / band.high).toBeCloseTo(1, 1);
    expect(Z90).toBeCloseTo(1.2816, 4);
  });
});
