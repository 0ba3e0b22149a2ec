import { describe, expect, it } from 'vitest';
import { mixtureBelow, mixtureQuantile, momentsOf } from '../numerics/normal-mixture.ts';
import { censoredLife } from '../physics/life/fit-life.ts';
import { believed, posteriorOf, type Reading } from './posterior.ts';

const SPEEDS = [100, 100, 140, 140, 180, 180, 120, 160, 100, 180, 140, 120];
const LIVES = [18.4, 18.4, 14.9, 11.1, 9.46, 4.36, 18.4, 8.57, 18.4, 5.65, 13.2, 16.5];
const WORN = [0, 0, 1, 1, 1, 1, 0, 1, 0, 1, 1, 1].map(Boolean);

const readings = SPEEDS.map((speed, i): Reading => ({
  y: Math.log(LIVES[i]!),
  reached: WORN[i]!,
  readingSd: 0,
  touches: [0, 1],
  predict: (u, slopes) => {
    const x = Math.log(speed / 140);
    slopes[0] = 1;
    slopes[1] = x;
    return u[0]! + u[1]! * x;
  },
}));

describe('what is believed after trials', () => {
  it('with next to no prior is the maximum likelihood of the same censored trials', () => {
    const wide = [
      { mean: 2, sd: 50 },
      { mean: -2, sd: 50 },
    ];
    const likelihood = censoredLife(LIVES, [SPEEDS.map((v) => v / 140)], WORN, 'lognormal');
    const posterior = posteriorOf(wide, readings, { mean: Math.log(likelihood.sigma), sd: 1e-6 });
    for (const k of [0, 1]) {
      const { mean, sd } = momentsOf(believed(posterior, [[k, 1]]));
      expect(mean).toBeCloseTo(likelihood.b[k]!, 2);
      expect(sd / likelihood.seB[k]!).toBeCloseTo(1, 0);
    }
  });

  it('without a trial is the prior', () => {
    const posterior = posteriorOf([{ mean: 0.3, sd: 0.2 }], [], { mean: -1, sd: 0.4 });
    const { mean, sd } = momentsOf(believed(posterior, [[0, 1]]));
    expect(mean).toBeCloseTo(0.3, 9);
    expect(sd).toBeCloseTo(0.2, 9);
  });

  it('an edge far beyond what was expected pulls hard, however far', () => {
    const one = (y: number): number => {
      const reading: Reading = {
        ...readings[0]!,
        y,
        reached: false,
        touches: [0],
        predict: (u, s) => ((s[0] = 1), u[0]!),
      };
      return momentsOf(
        believed(posteriorOf([{ mean: 0, sd: 1 }], [reading], { mean: -1.2, sd: 0.1 }), [[0, 1]]),
      ).mean;
    };
    expect(one(-3)).toBeCloseTo(0, 3);
    expect(one(2)).toBeGreaterThan(1.5);
    expect(one(6)).toBeGreaterThan(5);
    expect(Number.isFinite(one(40))).toBe(true);
  });
});

describe('a mixture of normals', () => {
  const parts = [
    { weight: 0.3, mean: 0, sd: 1 },
    { weight: 0.7, mean: 2, sd: 0.5 },
  ];
  it('gives back the share a quantile stands for, and refuses none', () => {
    for (const p of [0.01, 0.05, 0.5, 0.95, 0.99])
      expect(mixtureBelow(parts, mixtureQuantile(parts, p))).toBeCloseTo(p, 9);
    expect(() => mixtureQuantile(parts, 1)).toThrow(/not in \(0, 1\)/);
  });
  it('has the mean and spread of its parts', () => {
    const { mean, sd } = momentsOf(parts);
    expect(mean).toBeCloseTo(1.4, 12);
    expect(sd).toBeCloseTo(Math.sqrt(0.3 * (1 + 1.4 ** 2) + 0.7 * (0.25 + 0.6 ** 2)), 12);
  });
});
